/** One step of the book in words; opened, it is a line to be mended. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { memo } from "react";

import type { Step } from "../api/types";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";
import { Word } from "../Words";
import { StepActs } from "./StepActs";
import { Values } from "./Values";
import { ReadingRows } from "../readings/ReadingRows";

/** Between givens; where the line breaks, the dot stays behind. */
const JOINT = "\u00a0· ";

const Entry = chakra("li", {
  base: {
    display: "grid",
    gridTemplateColumns: "minmax(22px, max-content) minmax(0, 1fr)",
    gap: "2",
    px: "3",
    py: "2",
    borderBottomWidth: "1px",
    borderColor: "rule",
    cursor: "default",
    // What is out of sight is neither laid out nor painted: a book may have thousands of steps.
    contentVisibility: "auto",
    containIntrinsicSize: "auto 56px",
    "& .acts": { opacity: 0 },
    "&:hover .acts, &:focus-within .acts": { opacity: 1 },
  },
});

export const StepEntry = memo(function StepEntry({ step, number }: { step: Step; number: number }) {
  const pointed = useInterface((i) => i.pointed === step.id);
  const selected = useInterface((i) => i.selected === step.id);
  const chosen = useInterface((i) => i.others.includes(step.id));
  const mending = useInterface((i) => i.mend?.id === step.id);
  const { openLine, session } = useTable();
  const waits = step.problem !== null;
  return (
    <Entry
      data-step={step.id}
      data-chosen={selected || chosen}
      bg={selected || chosen || pointed || mending ? "lit" : undefined}
      opacity={step.hidden || step.off ? 0.6 : 1}
      onPointerEnter={() => useInterface.setState({ pointed: step.id })}
      onPointerLeave={() => useInterface.setState({ pointed: null })}
      onClick={() => useInterface.setState({ selected: step.id, others: [] })}
      onDoubleClick={() => openLine.rows.mend(step.id)}
    >
      <Text
        color={waits ? "place" : "quiet"}
        textDecoration={waits ? "line-through" : undefined}
        textAlign="right"
        fontVariantNumeric="tabular-nums"
      >
        {number}
      </Text>
      <Box minW="0">
        <Heading step={step} />
        {mending ? <Text color="place">being mended below</Text> : <Givens step={step} />}
        {step.residual !== null && !mending && (
          <Text color="quiet" fontSize="12px">
            residual {step.residual}
          </Text>
        )}
        {step.problem && (
          <Text color="place" mt="0.5">
            <b>waits</b>: {step.problem.message}
            {step.problem.suggested && (
              <Word
                color="place"
                textDecoration="underline"
                px="0"
                py="0"
                display="block"
                onClick={() => void session.act({ do: "mend", id: step.id, text: step.problem?.suggested ?? "" })}
              >
                use {step.problem.suggestion}
              </Word>
            )}
          </Text>
        )}
        {step.beside !== null && !mending && (
          <Text color="place" fontSize="12px">
            beside {step.beside}, not on it
          </Text>
        )}
        {selected && !mending && step.figure !== null && <Values step={step} />}
        {selected && !mending && <StepActs step={step} number={number} />}
        <Sums id={step.id} />
      </Box>
    </Entry>
  );
});

function Heading({ step }: { step: Step }) {
  const { openLine, session } = useTable();
  return (
    <Flex align="center" gap="2" h="20px">
      <Text fontWeight={600} whiteSpace="nowrap" overflow="hidden" textOverflow="ellipsis">
        {step.title} {step.name}
      </Text>
      {step.figure && <PenStroke pen={step.pen} />}
      <Box flex="1" />
      <Flex className="acts" fontSize="12px" mr="-1.5">
        <Word onClick={() => openLine.rows.mend(step.id)} aria-label={`Mend ${step.name}`}>
          Mend
        </Word>
        <Word
          aria-label={`Strike ${step.name}`}
          onClick={(e) => {
            e.stopPropagation();
            useInterface.setState({ selected: null, pointed: null });
            void session.act({ do: "strike", id: step.id, others: [] });
          }}
        >
          Strike
        </Word>
      </Flex>
    </Flex>
  );
}

/** The sums of the working, while it is shown. */
function Sums({ id }: { id: string }) {
  const working = useInterface((i) => (i.working?.step === id ? i.working.shown : null));
  if (!working) return null;
  return (
    <Box as="ul" listStyleType="none" mt="1" pl="2" borderLeftWidth="2px" borderColor="working" aria-label="Working">
      {working.sums.map((sum) => (
        <Text as="li" key={sum} color="ink" fontSize="12px" mb="0.5">
          {sum}
        </Text>
      ))}
      {working.sums.length === 0 && <Text color="quiet">It is found without compasses.</Text>}
    </Box>
  );
}

/** A short stroke of the pen it is drawn with. */
function PenStroke({ pen }: { pen: string }) {
  return (
    <Box
      w="16px"
      h={pen === "ink" ? "2px" : "1px"}
      flex="none"
      bg={pen === "ink" ? "ink" : "quiet"}
      title={`in ${pen}`}
    />
  );
}

function Givens({ step }: { step: Step }) {
  if (step.reading) {
    return (
      <>
        <Text color="quiet">{step.rows.map((r) => r.text).join(JOINT)}</Text>
        <ReadingRows reading={step.reading} />
      </>
    );
  }
  return (
    <Text color="quiet" overflowWrap="anywhere" fontVariantNumeric="tabular-nums">
      {step.rows.map((row, i) => (
        <span key={i}>
          {i > 0 && JOINT}
          {row.text}
          {row.value !== "" && <Value>{row.value}</Value>}
        </span>
      ))}
    </Text>
  );
}

function Value({ children }: { children: string }) {
  return (
    <Text as="span" color="ink">
      {" "}
      = {children}
    </Text>
  );
}
