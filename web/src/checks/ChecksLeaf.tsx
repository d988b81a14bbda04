/** Whether what is drawn is right: what is out or waits first, then loose ends, then what is close to a limit, then the rest. */
import { openSheet, refuse } from "../state/actions";
import { Box, Flex, Link, Text } from "@chakra-ui/react";

import { checkReport } from "../api/client";
import type { Step } from "../api/types";
import { useDocument } from "../state/document";

import { showStep } from "../state/selection";
import { usePreferences } from "../state/preferences";
import { READ } from "../surface/tag";
import { useTable } from "../table/context";
import { newId } from "../table/entry";

import { Word } from "../Words";
import { Dimensions } from "./Dimensions";
import { LooseEnds } from "./LooseEnds";
import { Part } from "./Part";
import { ReadingCheck } from "./ReadingCheck";

export function ChecksLeaf() {
  const steps = useDocument((d) => d.steps);
  const { openLine } = useTable();
  const readings = steps.filter((s) => s.reading !== null);
  const verdict = (step: Step) => step.reading?.compared?.verdict ?? "none";
  const of = (...verdicts: string[]) => readings.filter((s) => !s.problem && verdicts.includes(verdict(s)));
  const waiting = steps.filter((s) => s.problem && !s.off);
  return (
    <Box pb="4">
      <Part title="Out" count={of("out").length} trouble>
        {of("out").map((step) => (
          <ReadingCheck key={step.id} step={step} />
        ))}
      </Part>
      <Part title="Waits" count={waiting.length} trouble>
        {waiting.map((step) => (
          <Waiting key={step.id} step={step} />
        ))}
      </Part>
      <LooseEnds />
      <Dimensions />
      <Part title="Close to a limit" count={of("close").length}>
        {of("close").map((step) => (
          <ReadingCheck key={step.id} step={step} />
        ))}
      </Part>
      <Part
        title="Readings"
        count={of("within", "none").length}
        always
        aside={readings.length > 0 && <OnSheet names={readings.map((step) => step.name).filter(Boolean)} />}
      >
        {[...of("within"), ...of("none")].map((step) => (
          <ReadingCheck key={step.id} step={step} />
        ))}
        {readings.length === 0 && (
          <Flex color="quiet" align="baseline" px="4">
            <Text>Nothing is measured yet.</Text>
            <Word color="snap" disabled={steps.length === 0} onClick={() => openLine.begin(READ)}>
              Point and read
            </Word>
          </Flex>
        )}
      </Part>
      <Report />
    </Box>
  );
}

/** The readings as a schedule on the sheet. */
function OnSheet({ names }: { names: readonly string[] }) {
  const { session } = useTable();
  const write = async () => {
    const text = `schedule ${names.join(" ")} title "Checked"`;
    const answer = await session.act({ do: "write", id: newId(), text, in_front_of: null, beside: "", pen: "ink" });
    if (answer.ok) openSheet(1);
    else refuse(answer.message);
  };
  return (
    <Word
      color="snap"
      disabled={names.length === 0}
      title="All readings in a schedule on the sheet"
      onClick={() => void write()}
    >
      Put on the sheet
    </Word>
  );
}

/** All of it as a page to print, and as a table. */
function Report() {
  const { session } = useTable();
  const limit = usePreferences((p) => p.limits[session.drawing]);
  return (
    <Flex px="4" pt="3" gap="3" align="baseline" fontSize="12px" color="quiet">
      <Text as="h3" color="label" fontWeight={600}>
        Check report
      </Text>
      <Link color="snap" href={checkReport(session.drawing, "html", limit)} target="_blank" rel="noreferrer">
        Page to print
      </Link>
      <Link color="snap" href={checkReport(session.drawing, "pdf", limit)} target="_blank" rel="noreferrer">
        PDF
      </Link>
      <Link color="snap" href={checkReport(session.drawing, "csv", limit)} download>
        Table
      </Link>
    </Flex>
  );
}

function Waiting({ step }: { step: Step }) {
  return (
    <Box px="4" py="1.5" borderBottomWidth="1px" borderColor="rule">
      <Flex gap="2" align="baseline">
        <Word ml="-1.5" fontWeight={600} title="Show it in the book" onClick={() => showStep(step)}>
          {step.name || step.title}
        </Word>
        <Text color="quiet" truncate>
          {step.rows.map((row) => row.text).join(" · ")}
        </Text>
      </Flex>
      <Text color="place">
        <b>waits</b>: {step.problem?.message}
      </Text>
    </Box>
  );
}
