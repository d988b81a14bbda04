/** Who else is at the drawing, in the strip: their names, and what each mends. Alone, there is nothing. */
import { Box, Flex, Text } from "@chakra-ui/react";

import { Drop } from "../Drop";
import { useDocument } from "../state/document";
import { mendedBy, names, useOthers } from "../state/others";
import { usePreferences } from "../state/preferences";
import { useWho } from "../state/who";

export function AtTable() {
  const others = useOthers((o) => o.others);
  const self = useWho((w) => w.who?.person?.name);
  const found = names(others);
  if (found.length === 0) return null;
  const called = found.map((name) => (name === self ? "You, at another table" : name));
  const word = called.length === 1 ? called[0] : `${String(called.length)} others`;
  return (
    <Drop
      word={
        <Text as="span" color="other">
          {word}
        </Text>
      }
      label="Who else is at this drawing"
      end
    >
      {() => (
        <Box fontSize="12px">
          {found.map((name, i) => (
            <Flex key={name} justify="space-between" gap="3" py="0.5">
              <Text fontWeight={500}>{called[i]}</Text>
              <Doing id={mendedBy(others, name)} />
            </Flex>
          ))}
          <Together />
        </Box>
      )}
    </Drop>
  );
}

function Doing({ id }: { id: string | null }) {
  const step = useDocument((d) => d.byId.get(id ?? ""));
  if (!step) return null;
  return (
    <Text color="quiet">
      mends {step.title.toLowerCase()} {step.name}
    </Text>
  );
}

/** Seeing and being seen go together. */
function Together() {
  const together = usePreferences((p) => p.together);
  return (
    <Flex as="label" align="center" gap="1.5" mt="2" pt="2" borderTopWidth="1px" borderColor="rule">
      <input
        type="checkbox"
        checked={together}
        onChange={(e) => usePreferences.setState({ together: e.target.checked })}
      />
      <Text>We see each other’s pointer and selection</Text>
    </Flex>
  );
}
