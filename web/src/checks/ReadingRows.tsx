/** A reading: its value, its parts, and the difference from what was wanted. */
import { Box, Flex, Text } from "@chakra-ui/react";

import type { Reading } from "../api/types";

const VERDICTS = { out: "out", close: "within, close to the limit", within: "within", none: "" };

export function ReadingRows({ reading }: { reading: Reading }) {
  return (
    <Box fontVariantNumeric="tabular-nums">
      <ReadingValue reading={reading} />
      <ReadingParts reading={reading} />
    </Box>
  );
}

export function ReadingValue({ reading }: { reading: Reading }) {
  return (
    <Text as="span" fontWeight={600} fontSize="14px" title={String(reading.exact)}>
      {reading.value}
    </Text>
  );
}

export function ReadingParts({ reading }: { reading: Reading }) {
  const { compared } = reading;
  return (
    <Box fontVariantNumeric="tabular-nums" fontSize="12px">
      <Flex wrap="wrap" columnGap="2.5" color="quiet">
        {reading.rows.map((row) => (
          <Text key={row.name} whiteSpace="nowrap">
            {row.name}{" "}
            <Text as="span" color="ink">
              {row.value}
            </Text>
          </Text>
        ))}
      </Flex>
      {compared && (
        <Text color={compared.verdict === "out" ? "place" : "quiet"}>
          wanted {compared.wanted}, off by {compared.difference}: {VERDICTS[compared.verdict]}
        </Text>
      )}
    </Box>
  );
}
