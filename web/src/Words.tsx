/** Small parts that every page uses: a button that is a word, the mark, the strip at the top. */
import { chakra, Flex, type FlexProps, Text } from "@chakra-ui/react";
import type { ComponentProps, ReactNode } from "react";
import { Link } from "react-router";

import { usePreferences } from "./state/preferences";

/** A button that looks like what it is: a word that does something. */
export const Word = chakra("button", {
  base: {
    fontWeight: 500,
    color: "ink",
    px: "1.5",
    py: "1",
    borderRadius: "4px",
    cursor: "pointer",
    whiteSpace: "nowrap",
    minW: "24px",
    minH: "24px",
    _hover: { bg: "rule" },
    _disabled: { color: "quiet", cursor: "default", _hover: { bg: "transparent" } },
  },
});

/** The one word of a place that is done most. */
export function MainWord(props: ComponentProps<typeof Word>) {
  return (
    <Word
      bg="ink"
      color="panel"
      px="4"
      _hover={{ bg: "pressed" }}
      _disabled={{ bg: "transparent", color: "quiet", boxShadow: "inset 0 0 0 1px var(--chakra-colors-rule)" }}
      {...props}
    />
  );
}

export function Mark() {
  return (
    <svg width="18" height="18" viewBox="0 0 32 32" aria-hidden="true">
      <circle cx="16" cy="16" r="12" fill="none" stroke="currentColor" strokeWidth="3" />
      <circle cx="16" cy="16" r="4" fill="var(--chakra-colors-place)" />
    </svg>
  );
}

/** The other of the two looks. */
function OtherLook() {
  const look = usePreferences((p) => p.look);
  const [other, word] = look === "paper" ? (["blueprint", "Blueprint"] as const) : (["paper", "Paper"] as const);
  return (
    <Word
      color="quiet"
      fontSize="12px"
      title="How it all looks"
      onClick={() => usePreferences.setState({ look: other })}
    >
      {word}
    </Word>
  );
}

/** The slim strip at the top, beginning with the mark, which leads back to the shelf. */
export function Strip({ children, ...rest }: { children?: ReactNode } & FlexProps) {
  return (
    <Flex
      as="header"
      align="center"
      gap="3"
      h="45px"
      px="4"
      bg="panel"
      borderBottomWidth="1px"
      borderColor="rule"
      {...rest}
    >
      <Link to="/" title="All drawings">
        <Flex align="center" gap="2">
          <Mark />
          <Text fontWeight={600} fontSize="15px" letterSpacing="0.01em">
            Kentrograph
          </Text>
        </Flex>
      </Link>
      {children}
      <OtherLook />
    </Flex>
  );
}
