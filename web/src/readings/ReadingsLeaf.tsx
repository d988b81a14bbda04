/** All readings, live. */
import { Box, Flex, Text } from "@chakra-ui/react";

import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";
import { Word } from "../Words";
import { ReadingRows } from "./ReadingRows";

export function ReadingsLeaf() {
  const steps = useDocument((d) => d.steps);
  const { openLine } = useTable();
  const readings = steps.filter((s) => s.kind === "reading");
  if (readings.length === 0) {
    return (
      <Box p="4" color="quiet">
        <Text>Nothing is measured yet.</Text>
        <Word mt="1" ml="-1.5" color="snap" onClick={() => openLine.begin("measure distance")}>
          Measure a distance
        </Word>
      </Box>
    );
  }
  return (
    <Box as="ul" listStyleType="none" aria-label="Readings">
      {readings.map((step) => (
        <Box
          as="li"
          key={step.id}
          px="4"
          py="2"
          borderBottomWidth="1px"
          borderColor="rule"
          onPointerEnter={() => useInterface.setState({ pointed: step.id })}
          onPointerLeave={() => useInterface.setState({ pointed: null })}
        >
          <Flex gap="2" align="baseline">
            <Text fontWeight={600}>{step.name}</Text>
            <Text color="quiet" truncate>
              {step.rows.map((r) => r.text).join(" · ")}
            </Text>
          </Flex>
          {step.reading && <ReadingRows reading={step.reading} />}
          {step.problem && (
            <Text color="place">
              <b>waits</b>: {step.problem.message}
            </Text>
          )}
        </Box>
      ))}
    </Box>
  );
}
