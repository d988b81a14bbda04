/** Small parts of the files page: a choice and a field with their labels, a picture, how far something is. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";

import type { Progress } from "../api/files";
import { Choice } from "../Choice";
import { Word } from "../Words";

function Row({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Flex as="label" align="center" gap="2" py="1">
      <Text w="76px" flex="none" color="quiet">
        {label}
      </Text>
      {children}
    </Flex>
  );
}

/** One of several, each with its words. */
export function Pick({
  label,
  value,
  options,
  take,
}: {
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  take: (value: string) => void;
}) {
  return (
    <Row label={label}>
      <Choice flex="1" minW="0" aria-label={label} value={value} onChange={(e) => take(e.target.value)}>
        {options.map(([word, says]) => (
          <option key={word} value={word}>
            {says}
          </option>
        ))}
      </Choice>
    </Row>
  );
}

/** A length that is typed; it counts once it is left, or with Enter. */
export function Typed({
  label,
  says,
  placeholder,
  value,
  take,
}: {
  label: string;
  says: string;
  placeholder: string;
  value: string;
  take: (value: string) => void;
}) {
  return (
    <Row label={label}>
      <Input
        key={value}
        size="2xs"
        flex="1"
        aria-label={says}
        title={says}
        placeholder={placeholder}
        defaultValue={value}
        maxLength={60}
        onBlur={(e) => take(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === "Enter") take(e.currentTarget.value);
        }}
      />
    </Row>
  );
}

/** A picture that the server has drawn, on paper. */
export function Picture({ svg, label }: { svg: string; label: string }) {
  if (svg === "") return null;
  return (
    <Box
      role="img"
      aria-label={label}
      flex="1"
      minH="0"
      p="5"
      css={{
        "& svg": {
          width: "100%",
          height: "100%",
          maxHeight: "none !important",
          display: "block",
          background: "#F7F4EC",
          boxShadow: "0 1px 10px rgb(27 42 73 / 0.18)",
        },
      }}
      dangerouslySetInnerHTML={{ __html: svg }}
    />
  );
}

export function Busy({ words, progress, callOff }: { words: string; progress: Progress; callOff: () => void }) {
  const share = progress.total > 0 ? progress.done / progress.total : 0;
  return (
    <Flex role="status" align="center" gap="2" color="quiet">
      <Text>
        {words}
        {share > 0 && ` ${Math.round(100 * share)} %`} …
      </Text>
      <Word color="snap" onClick={callOff}>
        Call off
      </Word>
    </Flex>
  );
}

export function size(bytes: number): string {
  return bytes < 10_000
    ? `${bytes} bytes`
    : bytes < 1e6
      ? `${Math.round(bytes / 1000)} kB`
      : `${(bytes / 1e6).toFixed(1)} MB`;
}
