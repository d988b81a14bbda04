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
  onRename: (name: string) => void;
  onDuplicate: () => void;
  onDelete: () => void;
}

export function Card({ drawing, onRename, onDuplicate, onDelete }: Props) {
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
      <Link to={`/drawings/${drawing.id}`} aria-label={`Open ${drawing.name}`}>
        <Box bg="paper" borderBottomWidth="1px" borderColor="rule" _hover={{ bg: "lit" }}>
          <Thumbnail picture={drawing.picture} name={drawing.name} />
        </Box>
      </Link>
      <Box px="3" pt="2" pb="1.5">
        {name === null ? (
          <Text fontWeight={600} fontSize="14px" truncate title={drawing.name}>
            {drawing.name}
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
        <Flex align="center" justify="space-between" mt="0.5">
          <Text color="quiet" fontSize="12px" title={new Date(drawing.changed_at).toLocaleString()}>
            {ago(drawing.changed_at)}
          </Text>
          <Flex mr="-1.5" fontSize="12px">
            <Word onClick={() => setName(drawing.name)}>Rename</Word>
            <Word onClick={onDuplicate}>Duplicate</Word>
            <Word onClick={onDelete}>Delete</Word>
          </Flex>
        </Flex>
      </Box>
    </Box>
  );
}
