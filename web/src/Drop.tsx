/** A word that opens a small sheet under it; Escape, or a press elsewhere, closes it. */
import { Box } from "@chakra-ui/react";
import { type ReactNode, useEffect, useRef, useState } from "react";

import { Word } from "./Words";

export function Drop({
  word,
  label,
  chip = false,
  end = false,
  children,
}: {
  word: ReactNode;
  label: string;
  chip?: boolean;
  /** Whether it stands at the right end: the sheet then ends where the word does. */
  end?: boolean;
  children: (close: () => void) => ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (!open) return;
    const onDown = (event: PointerEvent) => {
      if (event.target instanceof Node && !box.current?.contains(event.target)) setOpen(false);
    };
    // Wherever the focus is: a field that was left with Enter has none.
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== "Escape") return;
      event.stopPropagation();
      setOpen(false);
    };
    window.addEventListener("pointerdown", onDown);
    window.addEventListener("keydown", onKey, true);
    return () => {
      window.removeEventListener("pointerdown", onDown);
      window.removeEventListener("keydown", onKey, true);
    };
  }, [open]);
  const frame = chip
    ? {
        color: "quiet",
        fontSize: "12px",
        fontWeight: 400,
        borderWidth: "1px",
        borderColor: "rule",
        borderRadius: "full",
      }
    : {};
  return (
    <Box ref={box} position="relative">
      <Word {...frame} px="2.5" aria-expanded={open} aria-haspopup="dialog" onClick={() => setOpen(!open)}>
        {word}
      </Word>
      {open && (
        <Box
          role="dialog"
          aria-label={label}
          data-own-keys
          position="absolute"
          zIndex={3}
          top="calc(100% + 6px)"
          {...(end ? { right: "0" } : { left: "0" })}
          w="340px"
          bg="panel"
          borderWidth="1px"
          borderColor="rule"
          borderRadius="5px"
          boxShadow="0 2px 10px rgb(27 42 73 / 0.15)"
          p="3"
        >
          {children(() => setOpen(false))}
        </Box>
      )}
    </Box>
  );
}
