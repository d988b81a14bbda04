/** What can be done with the selected step, in words. */
import { openLeaf, refuse, showRefused, keepWorking, writeBefore } from "../state/actions";
import { Flex, Input } from "@chakra-ui/react";
import { useState } from "react";

import { alike } from "../api/client";
import { workingOf } from "../core/looking";
import type { Step } from "../api/types";
import type { Session } from "../session/session";
import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { stepOf } from "../state/figures";
import { selectAll, selectNothing } from "../state/selection";
import { useTable } from "../table/context";
import { newId } from "../table/entry";

import { Word } from "../Words";

export function moveStep(session: Session, id: string, by: number): void {
  const { steps } = useDocument.getState();
  const index = steps.findIndex((s) => s.id === id) + by;
  if (index < 0 || index >= steps.length) return;
  // Down: in front of the one after next.
  const neighbour = steps[by > 0 ? index + 1 : index];
  void session.act({ do: "move", id, in_front_of: neighbour?.id ?? null }).then((answer) => {
    if (!answer.ok) refuse(answer.message);
  });
}

export function StepActs({ step, number }: { step: Step; number: number }) {
  const { session, openLine } = useTable();
  const others = useInterface((i) => i.others);
  const [naming, setNaming] = useState(false);
  const count = useDocument((d) => d.steps.length);
  const shown = useInterface((i) => i.working?.step === step.id);
  const compass = step.figure !== null && ["circle", "arc", "line", "point", "table"].includes(step.kind);
  if (naming) return <NewName step={step} done={() => setNaming(false)} />;
  const flag = (change: { hidden?: boolean; off?: boolean }) =>
    void session.act({
      do: "flag",
      id: step.id,
      others: [...new Set(others.map(stepOf))].filter((id) => id !== step.id),
      hidden: null,
      off: null,
      ...change,
    });
  const all = () => void alike(session.drawing, step.id, "together").then((found) => selectAll(found, step.id));
  return (
    <Flex wrap="wrap" fontSize="12px" mt="1" ml="-1.5" rowGap="0" role="group" aria-label={`Acts on ${step.name}`}>
      {compass && (
        <Word aria-pressed={shown} onClick={() => void showWorking(session.drawing, shown ? null : step.id)}>
          {shown ? "Hide working" : "Show working"}
        </Word>
      )}
      {step.figure !== null && (
        <Word title="All that hangs together with it; a second click on the figure does the same" onClick={all}>
          Whole part
        </Word>
      )}
      {step.figure !== null && ["circle", "arc", "outline"].includes(step.figure.kind) && (
        <Word
          title="A table of its centre, or of the centres of its arcs, by distances from the two edges that suit best"
          onClick={() => void setOut(session, [...new Set([step.id, ...others])])}
        >
          Set out centre
        </Word>
      )}
      {(step.kind === "reading" || step.kind === "dimension") && (
        <Word
          title={
            step.kind === "reading" ? "Puts it on the drawing as a dimension" : "Writes it in the book as a reading"
          }
          onClick={() => void turnInto(session, step.id)}
        >
          {step.kind === "reading" ? "As dimension" : "As reading"}
        </Word>
      )}
      {step.name !== "" && <Word onClick={() => setNaming(true)}>Rename</Word>}
      {step.figure !== null && (
        <Word onClick={() => flag({ hidden: !step.hidden })}>{step.hidden ? "Show" : "Hide"}</Word>
      )}
      <Word onClick={() => flag({ off: !step.off })}>{step.off ? "Switch on" : "Switch off"}</Word>
      <Word
        onClick={() =>
          openLine.inTurn(() => {
            writeBefore(step.id);
            selectNothing();
          })
        }
      >
        Insert before
      </Word>
      <Word disabled={number === 1} title="Alt+↑" onClick={() => moveStep(session, step.id, -1)}>
        Earlier
      </Word>
      <Word disabled={number === count} title="Alt+↓" onClick={() => moveStep(session, step.id, 1)}>
        Later
      </Word>
    </Flex>
  );
}

async function turnInto(session: Session, step: string): Promise<void> {
  const answer = await session.act({ do: "turn_into", id: newId(), step });
  if (!answer.ok) refuse(answer.message);
}

async function setOut(session: Session, figures: string[]): Promise<void> {
  const id = newId();
  const answer = await session.act({ do: "set_out", id, figures });
  if (!answer.ok) {
    refuse(answer.message);
    return;
  }
  showRefused(null);
  openLeaf("points");
  // Whoever sets it out sees at once from where it is measured.
  await showWorking(session.drawing, id);
}

async function showWorking(drawing: string, step: string | null): Promise<void> {
  if (step === null) keepWorking(null);
  else keepWorking({ step, shown: await workingOf(drawing, step) });
}

function NewName({ step, done }: { step: Step; done: () => void }) {
  const { session } = useTable();
  const [name, setName] = useState(step.name);
  const [refused, setRefused] = useState("");
  const rename = async () => {
    const answer = name === step.name ? { ok: true as const } : await session.act({ do: "rename", id: step.id, name });
    if (answer.ok) done();
    else setRefused(answer.message);
  };
  return (
    <Flex data-own-keys direction="column" mt="1" gap="0.5">
      <Flex gap="1">
        <Input
          size="2xs"
          autoFocus
          aria-label={`New name of ${step.name}`}
          value={name}
          onChange={(e) => setName(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === "Enter") void rename();
            if (e.key === "Escape") done();
          }}
        />
        <Word fontSize="12px" onClick={() => void rename()}>
          Rename
        </Word>
        <Word fontSize="12px" color="quiet" onClick={done}>
          Leave
        </Word>
      </Flex>
      {refused !== "" && (
        <Flex color="place" fontSize="12px">
          {refused}
        </Flex>
      )}
    </Flex>
  );
}
