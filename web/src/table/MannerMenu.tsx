/** How the drawing counts: unit, decimals, angles, datum. Each change is a header line of the book, and can be undone. */
import { refuse } from "../state/actions";
import { Box, Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";

import type { Header } from "../api/types";
import { Answering } from "../core/Answering";
import { Drop } from "../Drop";
import { useDocument } from "../state/document";
import { figureBy } from "../state/figures";
import { useInterface } from "../state/interface";
import { usePreferences } from "../state/preferences";
import { Word } from "../Words";
import { useTable } from "./context";
import { newId } from "./entry";

const UNITS = ["mm", "cm", "m", "in", "ft", "yd"];
const DECIMALS = [0, 1, 2, 3, 4, 5, 6];
const PARTS = [4, 8, 16, 32, 64];
const OF_INCHES = ["in", "ft", "yd"];
const ANGLES = [
  ["east counter-clockwise", "0° east, counter-clockwise"],
  ["north clockwise", "0° north, clockwise"],
  ["east clockwise", "0° east, clockwise"],
  ["north counter-clockwise", "0° north, counter-clockwise"],
  ["bearings", "bearings, as N 30° E"],
] as const;

export function MannerMenu() {
  const header = useDocument((d) => d.header);
  if (!header) return null;
  return (
    <Drop chip word={manner(header)} label="How the drawing counts">
      {() => <Settings header={header} />}
    </Drop>
  );
}

function Settings({ header }: { header: Header }) {
  const { session, view } = useTable();
  const turnView = usePreferences((p) => p.turnView);
  const selected = useInterface((i) => i.selected);
  const step = useDocument((d) => figureBy(d.byId, selected ?? ""));
  const write = (text: string) => {
    const act = { do: "write", text, id: newId(), in_front_of: null, pen: "ink", beside: "" } as const;
    void session.act(act).then((answer) => {
      if (!answer.ok) refuse(answer.message);
    });
  };
  const [x = 0, y = 0, turn = 0] = header.datum;
  const angles = header.bearings
    ? "bearings"
    : `${header.zero} ${header.clockwise ? "clockwise" : "counter-clockwise"}`;
  return (
    <Box fontSize="12px">
      <Choices label="Unit">
        {UNITS.map((unit) => (
          <One key={unit} on={unit === header.unit} pick={() => write(`unit ${unit}`)}>
            {unit}
          </One>
        ))}
      </Choices>
      <Choices label="Decimals">
        {DECIMALS.map((count) => (
          <One key={count} on={!header.parts && count === header.decimals} pick={() => write(`decimals ${count}`)}>
            {count}
          </One>
        ))}
      </Choices>
      {OF_INCHES.includes(header.unit) && (
        <Choices label="Fractions of an inch">
          {PARTS.map((parts) => (
            <One key={parts} on={parts === header.parts} pick={() => write(`fractions 1/${String(parts)}`)}>
              1/{parts}
            </One>
          ))}
        </Choices>
      )}
      <Choices label="Angles">
        {ANGLES.map(([text, words]) => (
          <One key={text} on={text === angles} pick={() => write(`angles ${text}`)}>
            {words}
          </One>
        ))}
      </Choices>
      <Text color="label" fontWeight={600} mt="2">
        Datum
      </Text>
      <Text color="quiet" fontVariantNumeric="tabular-nums">
        at {shown(x)}, {shown(y)} {header.unit}
        {turn !== 0 && `, sloping ${shown(turn)}°`}
      </Text>
      <Flex wrap="wrap" ml="-1.5">
        <Word disabled={step?.kind !== "line"} onClick={() => write(`datum along ${step?.name ?? ""}`)}>
          Along {step?.kind === "line" ? step.name : "the selected line"}
        </Word>
        <Word disabled={step?.kind !== "point"} onClick={() => write(`datum ${step?.name ?? ""}`)}>
          At {step?.kind === "point" ? step.name : "the selected point"}
        </Word>
        <Word disabled={x === 0 && y === 0 && turn === 0} onClick={() => write("datum 0, 0 direction 0")}>
          Back to 0, 0
        </Word>
      </Flex>
      <Flex as="label" align="center" gap="1.5" mt="1">
        <input
          type="checkbox"
          checked={turnView}
          onChange={(e) => {
            usePreferences.setState({ turnView: e.target.checked });
            view.current?.turnWithDatum();
          }}
        />
        <Text>The view turns with the datum</Text>
      </Flex>
      <Answering />
    </Box>
  );
}

function Choices({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box role="radiogroup" aria-label={label} mb="1">
      <Text color="label" fontWeight={600}>
        {label}
      </Text>
      <Flex wrap="wrap" ml="-1.5">
        {children}
      </Flex>
    </Box>
  );
}

function One({ on, pick, children }: { on: boolean; pick: () => void; children: ReactNode }) {
  return (
    <Word role="radio" aria-checked={on} bg={on ? "lit" : undefined} fontWeight={on ? 600 : 400} onClick={pick}>
      {children}
    </Word>
  );
}

function shown(value: number): string {
  return String(Number(value.toFixed(4)));
}

function manner(h: Header): string {
  const smallest = h.decimals > 0 ? `0.${"0".repeat(h.decimals - 1)}1` : "1";
  const least = h.parts ? `1/${String(h.parts)} in` : smallest;
  const ways = h.bearings ? "bearings" : `0° ${h.zero}, ${h.clockwise ? "clockwise" : "counter-clockwise"}`;
  const slope = h.datum[2] ? ` · datum sloping ${shown(h.datum[2])}°` : "";
  return `${h.unit} · ${least} · ${ways}${slope}`;
}
