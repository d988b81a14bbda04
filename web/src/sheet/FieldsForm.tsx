/** The same fields as a list, for whoever does not reach for the pointer; and fields of one's own. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";

import type { Sheet } from "../api/types";
import { useTable } from "../table/context";
import { Word } from "../Words";
import { OWN, sayField } from "./Fields";
import { OwnMark } from "./OwnMark";

export function FieldsForm({ sheet }: { sheet: Sheet }) {
  const { session } = useTable();
  const [name, setName] = useState("");
  const known = new Set(sheet.fields.map((field) => field.word));
  const more = ["subtitle", "material"]
    .filter((word) => !known.has(word))
    .map((word) => ({ word, label: title(word), words: "" }));
  const fields = [...sheet.fields.filter((field) => !OWN.has(field.word)), ...more];
  return (
    <Box as="form" aria-label="Title block" fontSize="12px" w="300px" onSubmit={(event) => event.preventDefault()}>
      {fields.map(({ word, label, words }) => (
        <One
          key={`${word} ${words}`}
          label={label}
          words={words}
          take={(said) => void sayField(session, sheet, word, said)}
        />
      ))}
      <Flex gap="1" mt="2" align="center">
        <Input
          size="2xs"
          flex="1"
          aria-label="Name of a field of your own"
          placeholder="A field of your own, such as Finish"
          value={name}
          maxLength={60}
          onChange={(event) => setName(event.target.value)}
        />
        <Word
          disabled={name.trim() === "" || known.has(name.trim())}
          onClick={() => {
            void sayField(session, sheet, name.trim(), "–");
            setName("");
          }}
        >
          Add
        </Word>
      </Flex>
      <OwnMark />
      <Text color="quiet" mt="1">
        Scale, unit and sheet say themselves.
      </Text>
    </Box>
  );
}

const title = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

function One({ label, words, take }: { label: string; words: string; take: (said: string) => void }) {
  const finish = (said: string) => {
    if (said.trim() !== words) take(said);
  };
  return (
    <Flex as="label" align="center" gap="2" py="0.5">
      <Text w="92px" color="quiet" flex="none" truncate>
        {label}
      </Text>
      <Input
        size="2xs"
        flex="1"
        defaultValue={words}
        maxLength={120}
        onBlur={(event) => finish(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Enter") event.currentTarget.blur();
        }}
      />
    </Flex>
  );
}
