/** The steps that directions, distances and plain positions are held to, and the reach of the pointer. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useRef, useState } from "react";

import { numbersOf, Refusal } from "../api/client";
import type { Field as Kind } from "../api/types";
import { type Snaps, usePreferences } from "../state/preferences";
import { useTable } from "../table/context";

/** Steps are read by the drawing, in any unit and with sums. */
const STEPS: readonly { key: "turns" | "turn" | "step" | "grid"; kind: Kind; words: string }[] = [
  { key: "turns", kind: "directions", words: "Directions of your own (22.5, 67.5)" },
  { key: "turn", kind: "turn", words: "Directions every (degrees, 0 for any)" },
  { key: "step", kind: "length", words: "Distances every (0 for any)" },
  { key: "grid", kind: "length", words: "Grid of (0 for none)" },
];
const COUNTS: readonly { key: "parts" | "reach"; words: string; least: number; most: number }[] = [
  { key: "parts", words: "Equal parts", least: 2, most: 99 },
  { key: "reach", words: "Reach in pixels", least: 3, most: 40 },
];

export function Steps() {
  const { session } = useTable();
  const snaps = usePreferences((p) => p.snaps);
  return (
    <Box mt="2" role="group" aria-label="Steps">
      {STEPS.map(({ key, kind, words }) => (
        <Field
          key={key}
          words={words}
          width={key === "turns" ? "130px" : "70px"}
          shown={[snaps[key]].flat().join(", ")}
          read={async (typed) => {
            const found = await numbersOf(session.drawing, kind, typed);
            return { [key]: key === "turns" ? found : found[0] };
          }}
        />
      ))}
      {COUNTS.map(({ key, words, least, most }) => (
        <Field
          key={key}
          words={words}
          width="70px"
          shown={String(snaps[key])}
          read={(typed) => {
            const count = Number(typed);
            if (!Number.isInteger(count) || count < least || count > most)
              throw new Refusal(`A whole number, ${least} to ${most}.`);
            return Promise.resolve({ [key]: count });
          }}
        />
      ))}
    </Box>
  );
}

interface FieldProps {
  readonly words: string;
  readonly width: string;
  readonly shown: string;
  /** What is set by what was typed, or a refusal; then what was set before still holds. */
  readonly read: (typed: string) => Promise<Partial<Snaps>>;
}

function Field({ words, width, shown, read }: FieldProps) {
  const [wrong, setWrong] = useState("");
  const latest = useRef("");
  const change = async (typed: string) => {
    latest.current = typed;
    try {
      const set = await read(typed);
      // What was typed since is answered on its own.
      if (latest.current !== typed) return;
      usePreferences.setState((p) => ({ snaps: { ...p.snaps, ...set } }));
      setWrong("");
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      if (latest.current === typed) setWrong(error.message);
    }
  };
  return (
    <Box fontSize="12px" py="0.5">
      <Flex as="label" align="center" gap="2">
        <Text flex="1">{words}</Text>
        <Input
          size="2xs"
          w={width}
          defaultValue={shown}
          aria-invalid={wrong !== ""}
          onChange={(e) => void change(e.target.value)}
        />
      </Flex>
      {wrong !== "" && (
        <Text role="alert" color="place" textAlign="right">
          {wrong}
        </Text>
      )}
    </Box>
  );
}
