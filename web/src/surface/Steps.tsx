/** The steps that directions, distances and plain positions are held to, and the reach of the pointer. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";

import { type Snaps, usePreferences } from "../state/preferences";
import { directionsIn, numberIn } from "./stepNumbers";

const STEPS: readonly {
  key: "turn" | "step" | "grid" | "parts" | "reach";
  words: string;
  least: number;
  most: number;
}[] = [
  { key: "turn", words: "Directions every (degrees, 0 for any)", least: 0, most: 180 },
  { key: "step", words: "Distances every (0 for any)", least: 0, most: 1e9 },
  { key: "grid", words: "Grid of (0 for none)", least: 0, most: 1e9 },
  { key: "parts", words: "Equal parts", least: 2, most: 99 },
  { key: "reach", words: "Reach in pixels", least: 3, most: 40 },
];

export function Steps() {
  const snaps = usePreferences((p) => p.snaps);
  const set = (change: Partial<Snaps>) => usePreferences.setState({ snaps: { ...snaps, ...change } });
  return (
    <Box mt="2" role="group" aria-label="Steps">
      <Field
        words="Directions of your own (22.5, 67.5)"
        width="130px"
        shown={snaps.turns.join(", ")}
        take={(typed) => {
          const found = directionsIn(typed);
          if (typeof found === "string") return found;
          set({ turns: found });
          return "";
        }}
      />
      {STEPS.map(({ key, words, least, most }) => (
        <Field
          key={key}
          words={words}
          width="70px"
          shown={String(snaps[key])}
          take={(typed) => {
            const found = numberIn(typed, least, most, key === "parts" || key === "reach");
            if (typeof found === "string") return found;
            set({ [key]: found });
            return "";
          }}
        />
      ))}
    </Box>
  );
}

/** ``take`` keeps what was typed, or says what is wrong with it; then what was kept before still holds. */
function Field(field: { words: string; width: string; shown: string; take: (typed: string) => string }) {
  const [wrong, setWrong] = useState("");
  return (
    <Box fontSize="12px" py="0.5">
      <Flex as="label" align="center" gap="2">
        <Text flex="1">{field.words}</Text>
        <Input
          size="2xs"
          w={field.width}
          inputMode="decimal"
          defaultValue={field.shown}
          aria-invalid={wrong !== ""}
          onChange={(e) => setWrong(field.take(e.target.value))}
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
