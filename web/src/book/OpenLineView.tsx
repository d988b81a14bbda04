/** The open line: the kind of figure, each given on its own row, the row being written with its echo, and what to give next. */
import { writeBefore } from "../state/actions";
import { Box, Flex, Text } from "@chakra-ui/react";

import type { Line, Problem } from "../api/types";
import { useInterface } from "../state/interface";
import { LOOKING_ONLY } from "../session/changing";
import { useDocument } from "../state/document";
import { useTable } from "../table/context";
import { Word } from "../Words";
import { Completions } from "./Completions";
import { LineInput, lineTitle, RowEcho } from "./LineInput";
import { ProblemLine } from "./ProblemLine";

export function OpenLineView() {
  const { openLine } = useTable();
  const { draft, text, waiting, mend, line, refused, placing, said } = useInterface();
  const steps = useDocument((d) => d.steps);
  const may = useDocument((d) => d.may);
  const before = useInterface((i) => i.before);
  const mended = useDocument((d) => (mend ? d.byId.get(mend.id) : undefined));
  // Every move of the pointer comes by here: all steps are looked through only where one of them is meant.
  const inserted = before === null ? -1 : steps.findIndex((s) => s.id === before);
  const place = mended ? steps.indexOf(mended) : inserted < 0 ? steps.length : inserted;
  const number = place + 1;
  const problem = refused ?? line?.problem ?? null;
  // What is only begun is no mistake; it is one when it is entered.
  const unfinished = refused === null && problem?.kind === "unfinished";
  const title = lineTitle(mended, draft, line);
  return (
    <Box
      as="section"
      aria-label="Open line"
      flex="none"
      borderTopWidth="2px"
      borderColor="place"
      bg="panel"
      px="3"
      pt="2"
      pb="3"
    >
      <Flex gap="2">
        <Text minW="22px" textAlign="right" color="place" fontVariantNumeric="tabular-nums">
          {number}
        </Text>
        <Box flex="1" minW="0">
          {title !== "" && (
            <Flex justify="space-between" align="baseline">
              <Text color="place" fontWeight={600}>
                {title}
              </Text>
              <Text color="quiet" fontSize="12px">
                {mend && draft && (
                  <Word
                    fontSize="12px"
                    py="0"
                    color="quiet"
                    onClick={() => openLine.inTurn(() => openLine.rows.asOneLine())}
                  >
                    As one line
                  </Word>
                )}
                Esc leaves
              </Text>
            </Flex>
          )}
          {inserted >= 0 && !mend && (
            <Flex justify="space-between" color="place" fontSize="12px">
              <Text>before {steps[inserted]?.name ?? "that step"}</Text>
              <Word color="place" py="0" onClick={() => openLine.inTurn(() => writeBefore(null))}>
                at the end again
              </Word>
            </Flex>
          )}
          {draft && <GivenRows />}
          <Flex
            align="center"
            gap="2"
            px="1"
            ml="-1"
            bg="paper"
            borderTopRadius="4px"
            borderBottomWidth="1.5px"
            borderColor="ink"
          >
            <LineInput />
            <RowEcho />
          </Flex>
          {problem &&
            text !== "" &&
            (unfinished ? <Wanted problem={problem} /> : <ProblemLine problem={problem} text={text} />)}
          {problem && text === "" ? (
            <Text color="place" mt="1">
              {problem.message}
            </Text>
          ) : null}
          {line?.reading && !mend && (
            <Text mt="1" fontWeight={600}>
              {line.reading.value}
            </Text>
          )}
          {line && <Solutions line={line} />}
          <Text id="open-line-hint" color="quiet" mt="1" minH="18px">
            {may === "see"
              ? refused === null && LOOKING_ONLY
              : mend && !(draft && line?.enter.do === "nothing")
                ? "Enter accepts, Esc leaves it as it was. Click a row to change it."
                : placing
                  ? "Click where it is put down, as often as you like; Esc leaves it."
                  : said !== "" && !draft && text === ""
                    ? said
                    : (line?.hint ?? "")}
          </Text>
          {waiting.length > 0 && <Text color="quiet">then: {waiting.join("  ⏎  ")}</Text>}
          {!(mend && !draft) && line && <Completions line={line} text={text} />}
        </Box>
      </Flex>
    </Box>
  );
}

/** What the text goes on with. */
function Wanted({ problem }: { problem: Problem }) {
  return (
    <Text color="quiet" mt="1">
      {problem.message.replace(/^something is missing at the end: /, "Next: ")}
    </Text>
  );
}

/** The solutions there are, by their side words; the one that would be taken stands out. */
function Solutions({ line }: { line: Line }) {
  const { openLine } = useTable();
  if (line.solutions.length < 2) {
    return line.note === "" ? null : (
      <Text mt="1" color="quiet">
        {line.note}
      </Text>
    );
  }
  return (
    <Box mt="1" role="group" aria-label="Solutions">
      <Text fontWeight={600}>
        {line.taken + 1} of {line.solutions.length}
        <Text as="span" color="quiet" fontWeight={400}>
          {" "}
          · ↑ ↓ or a click takes another
        </Text>
      </Text>
      <Flex direction="column" align="stretch" maxH="196px" overflowY="auto">
        {line.solutions.map((one, n) => (
          <Word
            key={n}
            aria-pressed={n === line.taken}
            fontSize="12px"
            textAlign="left"
            flex="none"
            py="0.5"
            px="1"
            bg={n === line.taken ? "place" : undefined}
            color={n === line.taken ? "panel" : "place"}
            _hover={{ bg: n === line.taken ? "place" : "rule" }}
            title={one.note}
            onClick={() => openLine.choose(n)}
          >
            {n + 1} {one.words.split(" ").join(", ")}
            {one.note === "" ? "" : " …"}
          </Word>
        ))}
      </Flex>
    </Box>
  );
}

/** Of more rows only the last are laid out. */
const MANY = 24;

/** Each given so far, as it will read in the book: click to change, × to strike. */
function GivenRows() {
  const { openLine } = useTable();
  const draft = useInterface((i) => i.draft);
  const line = useInterface((i) => i.line);
  if (!draft) return null;
  return (
    <Box as="ul" listStyleType="none" maxH="200px" overflowY="auto" aria-label="Givens so far">
      {draft.rows.length > MANY && <Text color="quiet">… {draft.rows.length - MANY} more …</Text>}
      {draft.rows.map((row, index) => {
        if (index < draft.rows.length - MANY) return null;
        const value = line?.rows[index]?.value ?? "";
        return (
          <Flex as="li" key={index} align="center" borderBottomWidth="1px" borderStyle="dotted" borderColor="rule">
            <Word
              flex="1"
              minW="0"
              textAlign="left"
              fontWeight={400}
              px="0"
              title="Click to change"
              onClick={() => openLine.inTurn(() => openLine.rows.change(index))}
            >
              <Text whiteSpace="normal" overflowWrap="anywhere">
                {row}
                {value !== "" && (
                  <Text as="span" color="quiet">
                    {" "}
                    = {value}
                  </Text>
                )}
              </Text>
            </Word>
            <Word
              aria-label={`Strike ${row}`}
              color="quiet"
              onClick={() => openLine.inTurn(() => openLine.rows.strike(index))}
            >
              ×
            </Word>
          </Flex>
        );
      })}
    </Box>
  );
}
