/** A file of others, looked at and taken into the drawing as steps. */
import { openTable, say } from "../state/actions";
import { Box, Flex, Text } from "@chakra-ui/react";
import { useRef, useState } from "react";

import { useTable } from "../table/context";
import { newId } from "../table/entry";
import { MainWord, Word } from "../Words";
import { LookedAt } from "./LookedAt";
import { useFiles } from "./options";
import type { useFound } from "./useFound";

export function TakeIn({ endings, read }: { endings: readonly string[]; read: ReturnType<typeof useFound> }) {
  const { session } = useTable();
  const file = useFiles((f) => f.dropped);
  const input = useRef<HTMLInputElement>(null);
  const { found, progress } = read;
  const [taking, setTaking] = useState(false);
  const [failed, setFailed] = useState("");
  const take = async () => {
    if (!found) return;
    setTaking(true);
    setFailed("");
    const entries = found.entries.map((text) => ({ text, away: "" }));
    const answer = await session.act({ do: "write_all", id: newId(), entries, in_front_of: null, pen: "ink" });
    setTaking(false);
    if (!answer.ok) {
      setFailed(answer.message);
      return;
    }
    useFiles.setState({ dropped: null });
    openTable();
    say(`${found.entries.length} steps taken in`);
  };
  const any = found !== null && found.entries.length > 0;
  return (
    <Box as="section" aria-label="Take in" fontSize="12px">
      <Text as="h2" color="label" fontWeight={600} mb="1">
        Take in
      </Text>
      <input
        ref={input}
        type="file"
        hidden
        aria-label="File to take in"
        accept={endings.map((one) => `.${one}`).join(",")}
        onChange={(event) => {
          useFiles.setState({ dropped: event.target.files?.[0] ?? null });
          event.target.value = "";
        }}
      />
      <Flex align="baseline" gap="1">
        <Word ml="-1.5" flex="none" color="snap" onClick={() => input.current?.click()}>
          {file ? "Another file" : "Choose a file"}
        </Word>
        <Text color="quiet">{file ? "" : `or drop one here: ${endings.join(", ")}`}</Text>
        {file && <Word onClick={() => useFiles.setState({ dropped: null })}>Leave it</Word>}
      </Flex>
      {file && (
        <Box mt="2">
          <LookedAt file={file} read={read} />
          {failed !== "" && (
            <Text role="alert" color="place" mt="2">
              {failed}
            </Text>
          )}
          {any && (
            <MainWord mt="2" disabled={taking || progress !== null} onClick={() => void take()}>
              {taking ? "Taking in …" : `Take in ${found.entries.length} steps`}
            </MainWord>
          )}
        </Box>
      )}
    </Box>
  );
}
