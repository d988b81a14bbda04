/** What belongs together: groups, symbols, pens, and what is marked to be found again. */
import { refuse } from "../state/actions";
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { type ComponentProps, type ReactNode, useEffect, useState } from "react";

import { groupsOf, listDrawings } from "../api/client";
import type { Drawing, Groups, Step } from "../api/types";
import { useDocument } from "../state/document";
import { figureBy, figuresOf } from "../state/figures";
import { lock, mark, useGroups } from "../state/groups";
import { useInterface } from "../state/interface";
import { usePreferences } from "../state/preferences";
import { selectAll, selectedIds } from "../state/selection";
import { useTable } from "../table/context";
import { newId } from "../table/entry";
import { writeStep } from "../table/writing";
import { Word } from "../Words";

const NONE: readonly string[] = [];

export function GroupsLeaf() {
  const { session } = useTable();
  const { of, shown } = useGroups();
  if (!shown || of !== session.drawing) return null;
  return (
    <Box pb="3">
      <GroupRows groups={shown.groups} />
      <SymbolRows symbols={shown.symbols} />
      <PenRows pens={shown.pens} />
      <MarkRows />
    </Box>
  );
}

function Part({ title, empty, children }: { title: string; empty: string | null; children: ReactNode }) {
  return (
    <Box as="section" aria-label={title} px="4" pt="3">
      <Text color="label" fontWeight={600} fontSize="12px">
        {title}
      </Text>
      {empty !== null && <Text color="quiet">{empty}</Text>}
      {children}
    </Box>
  );
}

function Row({
  name,
  count,
  faint,
  onClick,
  children,
}: {
  name: string;
  count: string;
  faint?: boolean;
  onClick: () => void;
  children: ReactNode;
}) {
  return (
    <Flex align="center" borderBottomWidth="1px" borderColor="rule" opacity={faint ? 0.7 : 1}>
      <Word flex="1" minW="0" textAlign="left" ml="-1.5" onClick={onClick}>
        <b>{name}</b>{" "}
        <Text as="span" color="quiet" fontWeight={400}>
          {count}
        </Text>
      </Word>
      <Flex fontSize="12px" flex="none">
        {children}
      </Flex>
    </Flex>
  );
}

function figures(count: number): string {
  return count === 1 ? "1 figure" : `${count} figures`;
}

function placed(count: number): string {
  return count === 0 ? "not placed" : count === 1 ? "placed once" : `placed ${count} times`;
}

/** Something that can be done; quiet where there is nothing to do it with. */
function Offer({ disabled, ...rest }: ComponentProps<typeof Word>) {
  return <Word color={disabled ? "quiet" : "snap"} disabled={disabled} {...rest} />;
}

/** The names of what is selected. */
function useSelectedNames(): readonly string[] {
  const selected = useInterface((i) => i.selected);
  const others = useInterface((i) => i.others);
  const byId = useDocument((d) => d.byId);
  return selected === null ? NONE : namesOf([selected, ...others], byId);
}

/** The same at the moment, for what has its turn. */
const selectedNames = (): readonly string[] => namesOf(selectedIds(), useDocument.getState().byId);

function namesOf(ids: readonly string[], byId: ReadonlyMap<string, Step>): readonly string[] {
  return ids.map((id) => figureBy(byId, id)?.name ?? "").filter(Boolean);
}

function GroupRows({ groups }: { groups: Groups["groups"] }) {
  const { session, openLine } = useTable();
  const locked = usePreferences((p) => p.locked[session.drawing] ?? NONE);
  const names = useSelectedNames();
  return (
    <Part title="Groups" empty={groups.length === 0 ? "Select figures, then give them a name together." : null}>
      {groups.map((group) => (
        <Row
          key={group.id}
          name={group.name}
          count={figures(group.figures.length)}
          faint={group.hidden}
          onClick={() => selectAll(group.figures, group.figures.at(-1) ?? null)}
        >
          <Word onClick={() => void writeStep(session, `${group.hidden ? "show" : "hide"} ${group.name}`, null)}>
            {group.hidden ? "Show" : "Hide"}
          </Word>
          <Word
            title="Seen and snapped to, but not selected"
            aria-pressed={locked.includes(group.name)}
            bg={locked.includes(group.name) ? "lit" : undefined}
            onClick={() => lock(session.drawing, group.name, !locked.includes(group.name))}
          >
            {locked.includes(group.name) ? "Unlock" : "Lock"}
          </Word>
        </Row>
      ))}
      <Offer
        ml="-1.5"
        disabled={names.length === 0}
        onClick={() => openLine.inTurn(() => writeStep(session, `group ${selectedNames().join(" ")}`, null))}
      >
        Group what is selected
      </Offer>
    </Part>
  );
}

function SymbolRows({ symbols }: { symbols: Groups["symbols"] }) {
  const { openLine } = useTable();
  const [doing, setDoing] = useState<"making" | "bringing" | null>(null);
  const chosen = useInterface((i) => i.selected !== null);
  const done = () => setDoing(null);
  return (
    <Part title="Symbols" empty={symbols.length === 0 ? "A small drawing, placed as often as one likes." : null}>
      {symbols.map((symbol) => (
        <Row
          key={symbol.id}
          name={symbol.name}
          count={placed(symbol.placed)}
          onClick={() => openLine.begin("place", [symbol.name])}
        >
          <Word onClick={() => openLine.begin("place", [symbol.name])}>Place</Word>
        </Row>
      ))}
      {doing === "making" && <Making done={done} />}
      {doing === "bringing" && <Bringing have={symbols.map((one) => one.name)} done={done} />}
      {doing === null && (
        <Flex wrap="wrap" ml="-1.5">
          <Offer disabled={!chosen} onClick={() => setDoing("making")}>
            Make one of what is selected
          </Offer>
          <Offer onClick={() => setDoing("bringing")}>From another drawing</Offer>
        </Flex>
      )}
    </Part>
  );
}

/** The name of a new symbol; its datum is the last place where that is wanted, else the lower left corner. */
function Making({ done }: { done: () => void }) {
  const { session } = useTable();
  const [name, setName] = useState("");
  const [refused, setRefused] = useState("");
  const last = useDocument((d) => d.last);
  const [about, setAbout] = useState<"corner" | "last">("corner");
  const make = async () => {
    const at: [number, number] | null = about === "last" ? [last[0] ?? 0, last[1] ?? 0] : null;
    const act = { do: "make_symbol" as const, id: newId(), name, figures: [...selectedIds()], at };
    const answer = await session.act(act);
    if (answer.ok) done();
    else setRefused(answer.message);
  };
  return (
    <Flex data-own-keys direction="column" gap="1" mt="1">
      <Input
        size="2xs"
        autoFocus
        aria-label="Name of the symbol"
        placeholder="its name"
        value={name}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === "Enter") void make();
          if (e.key === "Escape") done();
        }}
      />
      <Flex fontSize="12px" align="center" wrap="wrap">
        <Text color="quiet">about</Text>
        {(["corner", "last"] as const).map((one) => (
          <Word
            key={one}
            aria-pressed={about === one}
            bg={about === one ? "lit" : undefined}
            onClick={() => setAbout(one)}
          >
            {one === "corner" ? "its lower left corner" : "the last place"}
          </Word>
        ))}
      </Flex>
      <Flex fontSize="12px" ml="-1.5">
        <Word onClick={() => void make()}>Make it</Word>
        <Word color="quiet" onClick={done}>
          Leave
        </Word>
      </Flex>
      {refused !== "" && <Text color="place">{refused}</Text>}
    </Flex>
  );
}

/** The symbols of the other drawings on the shelf. */
function Bringing({ have, done }: { have: readonly string[]; done: () => void }) {
  const { session, openLine } = useTable();
  const [drawings, setDrawings] = useState<readonly Drawing[]>([]);
  const [symbols, setSymbols] = useState<
    readonly { readonly drawing: string; readonly name: string; readonly text: string }[]
  >([]);
  const [looked, setLooked] = useState(false);
  useEffect(() => {
    void listDrawings({ most: 200 }).then(async ({ drawings: found }) => {
      setDrawings(found);
      for (const one of found) {
        if (one.id === session.drawing) continue;
        const { symbols } = await groupsOf(one.id);
        setSymbols((before) => [...before, ...symbols.map(({ name, text }) => ({ drawing: one.id, name, text }))]);
      }
      setLooked(true);
    });
  }, [session]);
  const bring = async (name: string, text: string) => {
    // One that is here already is placed as it is.
    if (have.includes(name) || (await writeStep(session, text, null))) openLine.begin("place", [name]);
    done();
  };
  return (
    <Box mt="1">
      {symbols.map(({ drawing, name, text }) => (
        <Word
          key={`${drawing} ${name}`}
          display="block"
          ml="-1.5"
          fontWeight={400}
          onClick={() => void bring(name, text)}
        >
          <b>{name}</b> of {drawings.find((one) => one.id === drawing)?.name}
        </Word>
      ))}
      {looked && symbols.length === 0 && <Text color="quiet">No other drawing has a symbol.</Text>}
      <Word color="quiet" ml="-1.5" fontSize="12px" onClick={done}>
        Leave
      </Word>
    </Box>
  );
}

function PenRows({ pens }: { pens: Groups["pens"] }) {
  const { session, openLine } = useTable();
  const names = useSelectedNames();
  return (
    <Part title="Pens" empty={pens.length === 0 ? "Nothing is drawn yet." : null}>
      {pens.map((pen) => (
        <Row
          key={pen.word}
          name={pen.word.charAt(0).toUpperCase() + pen.word.slice(1)}
          count={figures(pen.figures.length)}
          faint={pen.hidden}
          onClick={() => selectAll(pen.figures, pen.figures.at(-1) ?? null)}
        >
          <Word
            title={`What is selected is drawn with it: pen ${pen.word} …`}
            disabled={names.length === 0}
            onClick={() =>
              openLine.inTurn(() => writeStep(session, `pen ${pen.word} ${selectedNames().join(" ")}`, null))
            }
          >
            For selected
          </Word>
          <Word onClick={() => void writeStep(session, `${pen.hidden ? "show" : "hide"} ${pen.word}`, null)}>
            {pen.hidden ? "Show" : "Hide"}
          </Word>
        </Row>
      ))}
    </Part>
  );
}

function idsNamed(steps: readonly Step[], names: readonly string[]): string[] {
  const wanted = new Set(names);
  return figuresOf(steps).flatMap((one) => (one.figure && wanted.has(one.name) ? [one.id] : []));
}

function MarkRows() {
  const { session, openLine, view } = useTable();
  const marked = usePreferences((p) => p.marked[session.drawing] ?? NONE);
  const names = useSelectedNames();
  const find = (name: string) => {
    const ids = idsNamed(useDocument.getState().steps, [name]);
    if (ids.length === 0) refuse(`${name} is not in sight.`);
    selectAll(ids, ids.at(-1) ?? null);
    if (ids.length > 0) view.current?.frameSelection();
  };
  return (
    <Part title="Marked" empty={marked.length === 0 ? "Mark figures to find them again." : null}>
      {marked.map((name) => (
        <Row key={name} name={name} count="" onClick={() => find(name)}>
          <Word
            aria-label={`Take the mark off ${name}`}
            color="quiet"
            onClick={() => mark(session.drawing, [name], false)}
          >
            ×
          </Word>
        </Row>
      ))}
      <Flex ml="-1.5">
        <Offer
          disabled={names.length === 0}
          onClick={() => openLine.inTurn(() => mark(session.drawing, selectedNames(), true))}
        >
          Mark what is selected
        </Offer>
        {marked.length > 0 && (
          <Word color="quiet" onClick={() => mark(session.drawing, marked, false)}>
            Take all off
          </Word>
        )}
      </Flex>
    </Part>
  );
}
