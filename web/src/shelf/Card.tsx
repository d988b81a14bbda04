/** One drawing on the shelf. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Link } from "react-router";

import type { Drawing } from "../api/types";
import { Word } from "../Words";
import { ago } from "./ago";
import { Thumbnail } from "./Thumbnail";

interface Props {
  drawing: Drawing;
  /** Whether there are others to share it with. */
  office: boolean;
  /** Brings it back, where it was deleted. */
  onRestore: (() => void) | null;
  onShare: () => void;
  onRename: (name: string) => void;
  onDuplicate: () => void;
  onDelete: () => void;
}

export function Card({ drawing, office, onRename, onDuplicate, onDelete, onRestore, onShare }: Props) {
  const [name, setName] = useState<string | null>(null);
  const finish = () => {
    if (name !== null && name.trim() !== "" && name.trim() !== drawing.name) onRename(name);
    setName(null);
  };
  return (
    <Box
      as="article"
      aria-label={drawing.name}
      bg="panel"
      borderWidth="1px"
      borderColor="rule"
      borderRadius="6px"
      overflow="hidden"
    >
      {onRestore ? (
        <Box bg="paper" borderBottomWidth="1px" borderColor="rule" opacity={0.6}>
          <Thumbnail drawing={drawing} />
        </Box>
      ) : (
        <Link to={`/drawings/${drawing.id}`} aria-label={`Open ${drawing.name}`}>
          <Box bg="paper" borderBottomWidth="1px" borderColor="rule" _hover={{ bg: "lit" }}>
            <Thumbnail drawing={drawing} />
          </Box>
        </Link>
      )}
      <Box px="3" pt="2" pb="1.5">
        <Flex align="center" justify="space-between" gap="2" h="21px">
          {name === null ? (
            <Text fontWeight={600} fontSize="14px" truncate title={drawing.name}>
              {onRestore ? (
                drawing.name
              ) : (
                // The keyboard has been at the picture's link.
                <Link to={`/drawings/${drawing.id}`} tabIndex={-1}>
                  {drawing.name}
                </Link>
              )}
            </Text>
          ) : (
            <Input
              autoFocus
              size="xs"
              h="19px"
              px="1"
              aria-label="Name of the drawing"
              value={name}
              maxLength={200}
              onChange={(e) => setName(e.target.value)}
              onFocus={(e) => e.target.select()}
              onBlur={finish}
              onKeyDown={(e) => {
                if (e.key === "Enter") finish();
                if (e.key === "Escape") setName(null);
              }}
            />
          )}
          <Text flex="none" color="quiet" fontSize="12px" title={said(drawing)}>
            {ago(drawing.changed_at)}
          </Text>
        </Flex>
        {office && (
          <Text color="quiet" fontSize="12px" truncate title={said(drawing)}>
            {drawing.owners.join(" · ")}
          </Text>
        )}
        <Flex mt="0.5" ml="-1.5" fontSize="12px">
          {onRestore ? (
            <Word onClick={onRestore}>Put it back</Word>
          ) : (
            <>
              {office && <Word onClick={onShare}>Share</Word>}
              {drawing.may !== "see" && <Word onClick={() => setName(drawing.name)}>Rename</Word>}
              <Word onClick={onDuplicate}>Duplicate</Word>
              {drawing.may === "own" && <Word onClick={onDelete}>Delete</Word>}
            </>
          )}
        </Flex>
      </Box>
    </Box>
  );
}

function said({ changed_at, owners }: Drawing): string {
  const whose = owners.length > 0 ? `, of ${owners.join(", ")}` : "";
  return `Changed ${new Date(changed_at).toLocaleString()}${whose}`;
}
