/** Help at the table: the language with its pictures, what is being written first, and the guide; from the same sources as docs/. */
import { Box, chakra, Input, Text } from "@chakra-ui/react";
import { lazy, Suspense, useEffect, useState } from "react";

import { help as fetchHelp, helpPicture } from "../api/client";
import type { Help, HelpKind } from "../api/types";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";
import { Word } from "../Words";
import { found } from "./found";

const Guide = lazy(() => import("./Guide"));
const Entry = chakra("details", {
  base: {
    borderBottomWidth: "1px",
    borderColor: "rule",
    px: "3",
    py: "1.5",
    "& > summary": { cursor: "pointer", listStyle: "none", display: "flex", gap: "2", alignItems: "baseline" },
  },
});

export function HelpLeaf() {
  const [help, setHelp] = useState<Help | null>(null);
  const [search, setSearch] = useState("");
  const writing = useInterface((i) => i.draft?.kind ?? null);
  useEffect(() => {
    void fetchHelp().then(setHelp);
  }, []);
  if (!help) return null;
  const { kinds, sections } = found(help, search, writing);
  const open = search.trim() !== "";
  return (
    <Box>
      <Box p="3" pb="2" data-own-keys>
        <Input
          size="xs"
          aria-label="Search the help"
          placeholder="Search: touching, middle of, mend ..."
          value={search}
          onChange={(e) => setSearch(e.target.value)}
        />
      </Box>
      {kinds.map((kind) => (
        <KindHelp key={kind.word} kind={kind} open={open || kind.word === writing?.split(" ")[0]} />
      ))}
      {sections.map((section) => (
        <Entry key={section.title} open={open}>
          <summary>
            <Text fontWeight={600}>{section.title}</Text>
          </summary>
          <Suspense>
            <Guide text={section.text} />
          </Suspense>
        </Entry>
      ))}
      {kinds.length + sections.length === 0 && (
        <Text p="3" color="quiet">
          Nothing here has all of these words.
        </Text>
      )}
    </Box>
  );
}

function KindHelp({ kind, open }: { kind: HelpKind; open: boolean }) {
  return (
    <Entry open={open}>
      <summary>
        <Text fontWeight={600} whiteSpace="nowrap">
          {kind.title}
        </Text>
        <Text color="quiet">{kind.explanation}</Text>
      </summary>
      <Box as="ul" listStyleType="none" mt="1">
        {kind.examples.map((example) => (
          <Example key={example.text} {...example} />
        ))}
      </Box>
      <Box as="dl" mt="2" display="grid" gridTemplateColumns="max-content 1fr" columnGap="2" fontSize="12px">
        {kind.givens.map((given) => (
          <Box key={given.word} display="contents">
            <Text as="dt" fontWeight={600}>
              {given.word}
            </Text>
            <Text as="dd" color="quiet">
              {given.explanation}
            </Text>
          </Box>
        ))}
      </Box>
    </Entry>
  );
}

/** A statement that can be put on the open line, with what it shows. */
function Example({ text, note, picture }: HelpKind["examples"][number]) {
  const { openLine } = useTable();
  return (
    <Box as="li" mb="2" display="grid" gridTemplateColumns={picture === "" ? "1fr" : "104px 1fr"} columnGap="2.5">
      {picture !== "" && (
        <img src={helpPicture(picture)} alt={note} loading="lazy" style={{ width: "100%", borderRadius: "3px" }} />
      )}
      <Box>
        <Word
          title="Puts it on the open line"
          fontFamily="mono"
          fontSize="12px"
          fontWeight={400}
          color="snap"
          px="0"
          py="0"
          textAlign="left"
          whiteSpace="normal"
          onClick={() => openLine.put(text)}
        >
          {text}
        </Word>
        <Text color="quiet" fontSize="12px">
          {note}
        </Text>
      </Box>
    </Box>
  );
}
