/** A file that was dropped on the shelf: what is in it, and a drawing made of it. */
import { Box, Flex } from "@chakra-ui/react";

import { LookedAt } from "../files/LookedAt";
import { Picture } from "../files/parts";
import { useFound } from "../files/useFound";
import { MainWord, Word } from "../Words";

export function Dropped({
  file,
  make,
  leave,
}: {
  file: File;
  make: (name: string, text: string) => void;
  leave: () => void;
}) {
  const read = useFound(file, null);
  const { found, progress } = read;
  const name = file.name.replace(/\.[^.]*$/, "");
  return (
    <Flex
      role="region"
      aria-label="File that was dropped"
      gap="5"
      mb="6"
      p="4"
      bg="panel"
      borderWidth="1px"
      borderColor="rule"
      borderRadius="5px"
    >
      <Box w="320px" flex="none">
        <LookedAt file={file} read={read} />
        <Flex gap="2" mt="3">
          <MainWord disabled={!found || progress !== null} onClick={() => found && make(name, found.text)}>
            Make a drawing of it
          </MainWord>
          <Word onClick={leave}>Leave it</Word>
        </Flex>
      </Box>
      <Flex flex="1" minW="0" h="260px">
        {found && <Picture svg={found.picture} label={`What is in ${file.name}`} />}
      </Flex>
    </Flex>
  );
}
