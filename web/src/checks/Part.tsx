/** A part of the leaf of checks. */
import { Box, Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** Without anything in it, it is not there unless it always is. */
export function Part({
  title,
  count,
  trouble,
  always,
  aside,
  children,
}: {
  title: string;
  count: number;
  trouble?: boolean;
  always?: boolean;
  aside?: ReactNode;
  children: ReactNode;
}) {
  if (count === 0 && !always) return null;
  return (
    <Box as="section" aria-label={title} pt="3">
      <Flex px="4" align="baseline" gap="1.5" fontSize="12px">
        <Text as="h3" color={trouble && count > 0 ? "place" : "label"} fontWeight={600}>
          {title}
        </Text>
        {count > 0 && <Text color="quiet">{count}</Text>}
        <Box flex="1" />
        {aside}
      </Flex>
      {children}
    </Box>
  );
}
