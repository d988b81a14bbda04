/** What was done without the connection and could not be kept: the drafter takes it into the row to change it, or lets it go. */
import { Box, Flex, Text } from "@chakra-ui/react";

import type { Act } from "../api/types";
import { textOf, useWaiting } from "../session/waiting";
import { useDocument } from "../state/document";
import { useTable } from "../table/context";
import { Word } from "../Words";

/** What it was, in words. */
export function actWords(act: Act, name: (step: string) => string): string {
  switch (act.do) {
    case "write":
    case "paste":
      return act.text;
    case "write_all":
      return act.entries.map((entry) => entry.text).join("; ");
    case "mend":
      return act.text;
    case "strike":
      return `strike ${name(act.id)}`;
    case "move":
      return `move ${name(act.id)}`;
    case "rename":
      return `rename ${name(act.id)} to ${act.name}`;
    default:
      return act.do.replaceAll("_", " ");
  }
}

export function PutAside() {
  const aside = useWaiting((w) => w.aside);
  const byId = useDocument((d) => d.byId);
  const { session, openLine } = useTable();
  if (aside.length === 0) return null;
  return (
    <Box
      role="alert"
      aria-label="Could not be kept"
      flex="none"
      maxH="40%"
      overflowY="auto"
      px="3"
      py="1.5"
      borderTopWidth="1px"
      borderColor="rule"
    >
      <Text color="place" fontSize="12px" fontWeight={600}>
        Without the connection you did what cannot be kept as it is:
      </Text>
      {aside.map(({ act, said }, n) => {
        const text = textOf(act);
        return (
          <Box key={n} fontSize="12px" mt="1">
            <Text fontFamily="mono" overflowWrap="anywhere">
              {actWords(act, (id) => byId.get(id)?.name ?? "a step that is gone")}
            </Text>
            <Text color="quiet">{said}</Text>
            <Flex ml="-1.5">
              {text !== null && text !== "" && (
                <Word
                  onClick={() => {
                    if (act.do === "mend") openLine.inTurn(() => openLine.rows.mendAs(act.id, text));
                    else openLine.put(text);
                    session.letGo(n);
                  }}
                >
                  Into the row
                </Word>
              )}
              <Word onClick={() => session.letGo(n)}>Let it go</Word>
            </Flex>
          </Box>
        );
      })}
    </Box>
  );
}
