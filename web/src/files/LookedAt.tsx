/** A file of others while it is read, and what was found in it or why nothing was. */
import { Text } from "@chakra-ui/react";

import { FoundFile } from "./FoundFile";
import { Busy } from "./parts";
import type { useFound } from "./useFound";

export function LookedAt({ file, read }: { file: File; read: ReturnType<typeof useFound> }) {
  const { found, refused, progress, callOff } = read;
  return (
    <>
      {progress && <Busy words="Reading" progress={progress} callOff={callOff} />}
      {refused !== "" && (
        <Text role="alert" color="place">
          {refused}
        </Text>
      )}
      {found && <FoundFile name={file.name} found={found} read={read} />}
    </>
  );
}
