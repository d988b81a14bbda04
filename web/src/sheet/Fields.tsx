/** The fields of the title block, written in place. */
import { Box, chakra } from "@chakra-ui/react";
import { type Dispatch, type SetStateAction, useRef, useState } from "react";

import type { Sheet, SheetField } from "../api/types";
import type { Session } from "../session/session";
import { useTable } from "../table/context";
import { restate } from "./restate";

/** What says itself: nobody writes it. */
export const OWN: ReadonlySet<string> = new Set(["scale", "unit", "sheet"]);
const Row = chakra("input");

export async function sayField(session: Session, sheet: Sheet, word: string, said: string): Promise<void> {
  await restate(session, sheet.id, word, said, "sheet", `${sheet.paper} ${sheet.lies}`);
}

export function Fields({ sheet, scale }: { sheet: Sheet; scale: number }) {
  const [open, setOpen] = useState<string | null>(null);
  const words = sheet.fields.filter((field) => !OWN.has(field.word));
  const next = (word: string, by: number) => {
    const at = words.findIndex((field) => field.word === word) + by;
    setOpen(words[at]?.word ?? null);
  };
  return (
    <>
      {words.map((field) => (
        <Field
          key={field.word}
          sheet={sheet}
          field={field}
          scale={scale}
          open={open === field.word}
          setOpen={setOpen}
          next={next}
        />
      ))}
    </>
  );
}

function Field({
  sheet,
  field,
  scale,
  open,
  setOpen,
  next,
}: {
  sheet: Sheet;
  field: SheetField;
  scale: number;
  open: boolean;
  setOpen: Dispatch<SetStateAction<string | null>>;
  next: (word: string, by: number) => void;
}) {
  const { session } = useTable();
  /** What was written is sent once: leaving the field with Tab takes its focus away as well. */
  const taken = useRef(false);
  const [x = 0, y = 0, width = 0, height = 0] = field.box;
  const place = {
    position: "absolute" as const,
    left: x * scale,
    top: (sheet.height - y - height) * scale,
    width: width * scale,
    height: height * scale,
  };
  if (!open)
    return (
      <Box
        // For the pointer; without one the same fields stand in a list (FieldsForm).
        title={`${field.label}: ${field.words || "empty"}`}
        cursor="text"
        data-own-keys
        _hover={{ bg: "rgb(29 118 104 / 0.10)" }}
        _focusVisible={{ outline: "2px solid", outlineColor: "snap" }}
        style={place}
        onClick={() => setOpen(field.word)}
      />
    );
  const take = (said: string) => {
    if (taken.current || said.trim() === field.words) return;
    taken.current = true;
    void sayField(session, sheet, field.word, said);
  };
  return (
    <Row
      autoFocus
      data-own-keys
      aria-label={field.label}
      defaultValue={field.words}
      maxLength={120}
      bg="white"
      color="#1B2A49"
      px="1"
      borderWidth="1.5px"
      borderColor="snap"
      style={{ ...place, fontSize: Math.max(12, 3.6 * scale), minHeight: 22 }}
      onFocus={(event) => {
        taken.current = false;
        event.target.select();
      }}
      onBlur={(event) => {
        take(event.target.value);
        setOpen((now) => (now === field.word ? null : now));
      }}
      onKeyDown={(event) => {
        if (event.key === "Escape") {
          event.currentTarget.value = field.words;
          setOpen(null);
        }
        if (event.key === "Enter") event.currentTarget.blur();
        if (event.key === "Tab") {
          event.preventDefault();
          take(event.currentTarget.value);
          next(field.word, event.shiftKey ? -1 : 1);
        }
      }}
    />
  );
}
