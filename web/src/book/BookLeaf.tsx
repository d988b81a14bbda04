/** The steps in words, in order, the newest in sight. */
import { chakra } from "@chakra-ui/react";
import { useEffect, useRef } from "react";

import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { StepEntry } from "./StepEntry";

const List = chakra("ol", { base: { listStyle: "none" } });

export function BookLeaf() {
  const steps = useDocument((d) => d.steps);
  const selected = useInterface((i) => i.selected);
  const list = useRef<HTMLOListElement>(null);
  const count = steps.length;
  const begun = useInterface((i) => i.draft !== null && i.mend === null);
  useEffect(() => {
    // The open line grows while something is written; the newest step stays in sight above it.
    list.current?.lastElementChild?.scrollIntoView({ block: "end" });
  }, [count, begun]);
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
