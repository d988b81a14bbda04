/** The steps in words, in order, the newest in sight. */
import { Box, chakra } from "@chakra-ui/react";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useCallback, useDeferredValue, useEffect, useRef } from "react";

import type { Step } from "../api/types";
import { useDocument } from "../state/document";
import { stepOf } from "../state/figures";
import { useInterface } from "../state/interface";
import { StepEntry } from "./StepEntry";

const List = chakra("ol", { base: { listStyle: "none" } });

const NONE: readonly Step[] = [];

/** Of a longer book only the steps in sight are laid out. */
const LONG = 200;
/** Pixels from the end of the list within which one looks at its end. */
const NEAR_END = 24;

export function BookLeaf() {
  // The drawing is painted first; a long book is laid out after it.
  const long = useDeferredValue(useDocument((d) => d.steps.length > LONG));
  return long ? <LongBook /> : <ShortBook />;
}

function ShortBook() {
  const steps = useDocument((d) => (d.steps.length > LONG ? NONE : d.steps));
  const selected = useInterface((i) => (i.selected === null ? null : stepOf(i.selected)));
  const list = useRef<HTMLOListElement>(null);
  const count = steps.length;
  const begun = useInterface((i) => i.draft !== null && i.mend === null);
  useEffect(() => {
    // The open line grows while something is written; the newest step stays in sight above it.
    list.current?.lastElementChild?.scrollIntoView({ block: "end" });
  }, [count, begun]);
  // What is newest also stays in sight when the open line below grows, unless somebody has scrolled away from it.
  useEffect(() => {
    const frame = list.current?.parentElement;
    if (!frame) return;
    let height = frame.clientHeight;
    const watch = new ResizeObserver(() => {
      const atEnd = frame.scrollTop + height >= frame.scrollHeight - NEAR_END;
      height = frame.clientHeight;
      if (atEnd) frame.scrollTop = frame.scrollHeight;
    });
    watch.observe(frame);
    return () => watch.disconnect();
  }, []);
  useEffect(() => {
    if (selected !== null)
      list.current?.querySelector(`[data-step="${selected}"]`)?.scrollIntoView({ block: "nearest" });
  }, [selected]);
  return (
    <List ref={list} aria-label="Steps">
      {steps.map((step, index) => (
        <StepEntry key={step.id} step={step} number={index + 1} />
      ))}
    </List>
  );
}

function LongBook() {
  const steps = useDeferredValue(useDocument((d) => d.steps));
  const selected = useInterface((i) => (i.selected === null ? null : stepOf(i.selected)));
  const frame = useRef<HTMLDivElement>(null);
  const count = steps.length;
  // The same one as long as the steps are: with another all places are counted anew.
  const keyOf = useCallback((index: number) => steps[index]?.id ?? index, [steps]);
  const rows = useVirtualizer({
    count,
    getScrollElement: () => frame.current,
    estimateSize: () => 40,
    overscan: 6,
    getItemKey: keyOf,
  });
  const begun = useInterface((i) => i.draft !== null && i.mend === null);
  useEffect(() => {
    rows.scrollToIndex(count - 1, { align: "end" });
  }, [rows, count, begun]);
  useEffect(() => {
    const index = useDocument.getState().steps.findIndex((s) => s.id === selected);
    if (index >= 0) rows.scrollToIndex(index);
  }, [rows, selected]);
  return (
    <Box ref={frame} h="100%" overflowY="auto">
      <List aria-label="Steps" position="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map(({ index, start, key }) => {
          const step = steps[index];
          if (!step) return null;
          return (
            <Box
              key={key}
              ref={rows.measureElement}
              data-index={index}
              position="absolute"
              w="100%"
              style={{ top: start }}
            >
              <StepEntry step={step} number={index + 1} />
            </Box>
          );
        })}
      </List>
    </Box>
  );
}
