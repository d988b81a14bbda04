/** The third view of a drawing: as files for others, and files of others for it. What is written or found is seen before it is. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { formats } from "../api/files";
import type { FileFormat } from "../api/types";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";
import { HandOut, useLook } from "./HandOut";
import { useFiles } from "./options";
import { Picture } from "./parts";
import { TakeIn } from "./TakeIn";
import { useFound } from "./useFound";

export function FilesPage() {
  const open = useInterface((i) => i.files);
  return open ? <Page /> : null;
}

function Page() {
  const { session } = useTable();
  const [known, setKnown] = useState<readonly FileFormat[]>([]);
  const file = useFiles((f) => f.dropped);
  const look = useLook();
  const read = useFound(file, session.drawing);
  useEffect(() => void formats().then(setKnown), []);
  const picture = file ? read.found?.picture : look.found?.picture;
  return (
    <Flex position="absolute" inset="0" zIndex={2} bg="desk" data-own-keys data-files-page>
      <Flex
        direction="column"
        gap="5"
        w="320px"
        flex="none"
        bg="panel"
        borderRightWidth="1px"
        borderColor="rule"
        p="4"
        overflowY="auto"
      >
        {!file && <HandOut formats={known} look={look} />}
        <TakeIn endings={known.flatMap((one) => one.endings)} read={read} />
      </Flex>
      <Flex direction="column" flex="1" minW="0" minH="0">
        {picture ? (
          <Picture svg={picture} label={file ? `What is in ${file.name}` : "What will be written"} />
        ) : (
          <Box m="auto" color="quiet">
            <Text>{file ? "" : "Nothing to be seen yet."}</Text>
          </Box>
        )}
      </Flex>
    </Flex>
  );
}
