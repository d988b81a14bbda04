/** What can be said of a sheet and of what is chosen on it, and the ways in which it is handed over. */
import { openSheet, refuse, zoomSheet } from "../state/actions";
import { Box, Flex, Link, Text } from "@chakra-ui/react";

import { sheetPicture, sheetPlot, sheetsFile } from "../api/client";
import type { Sheet } from "../api/types";
import { Choice } from "../Choice";
import { Drop } from "../Drop";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";
import { newId } from "../table/entry";

import { Word } from "../Words";
import { FieldsForm } from "./FieldsForm";
import { restate } from "./restate";

const ZOOM = 1.5;

export function SheetBar({ sheet }: { sheet: Sheet }) {
  const { session } = useTable();
  const chosen = useInterface((i) => i.sheetPart);
  const zoom = useInterface((i) => i.sheetZoom);
  const view = sheet.views.find((part, n) => (part.id ?? `unasked ${n}`) === chosen);
  const write = async (text: string) => {
    const answer = await session.act({ do: "write", id: newId(), text, in_front_of: null, beside: "", pen: "ink" });
    if (!answer.ok) refuse(answer.message);
    return answer.ok;
  };
  const count = Math.max(1, sheet.names.length);
  return (
    <Flex
      data-own-keys
      align="center"
      gap="2"
      px="3"
      minH="42px"
      flexWrap="wrap"
      position="relative"
      // Over the paper: the list of fields opens there.
      zIndex={2}
      flex="none"
      bg="panel"
      borderBottomWidth="1px"
      borderColor="rule"
      fontSize="12px"
      whiteSpace="nowrap"
    >
      {count > 1 &&
        sheet.names.map((name, n) => (
          <Word
            key={name}
            aria-pressed={n + 1 === sheet.number}
            fontWeight={n + 1 === sheet.number ? 600 : 500}
            onClick={() => openSheet(n + 1)}
          >
            {name}
          </Word>
        ))}
      <Choice
        aria-label="Paper"
        value={sheet.paper}
        onChange={(e) => void restate(session, sheet.id, "paper", e.target.value, "sheet")}
      >
        {sheet.paper === "" && <option value="">own size</option>}
        {sheet.papers.map((paper) => (
          <option key={paper} value={paper}>
            {paper.replace("_", " ").toUpperCase()}
          </option>
        ))}
      </Choice>
      <Choice
        aria-label="How it lies"
        value={sheet.lies}
        onChange={(e) => void restate(session, sheet.id, "lies", e.target.value, "sheet", sheet.paper)}
      >
        <option>landscape</option>
        <option>portrait</option>
      </Choice>
      <Drop word="Title block" label="Fields of the title block">
        {() => <FieldsForm sheet={sheet} />}
      </Drop>
      {view && (
        <Flex align="center" gap="1">
          <Text color="label" fontWeight={600}>
            {view.name || "View"}
          </Text>
          <Choice
            aria-label="Scale of the view"
            value={view.fixed ? view.scale : ""}
            onChange={(e) => void restate(session, view.id, "scale", e.target.value, "view")}
          >
            <option value="">fits: {view.scale}</option>
            {(sheet.scales.includes(view.scale) ? sheet.scales : [view.scale, ...sheet.scales]).map((scale) => (
              <option key={scale}>{scale}</option>
            ))}
          </Choice>
        </Flex>
      )}
      <Word
        onClick={() =>
          void write(sheet.id ? "sheet a4" : `sheet ${sheet.paper} ${sheet.lies}`).then(
            (ok) => ok && sheet.id && openSheet(count + 1),
          )
        }
      >
        {sheet.id ? "Another sheet" : "Keep this sheet"}
      </Word>
      {sheet.missing.length > 0 && (
        <Text color="place" truncate title={sheet.missing.join("; ")}>
          {sheet.missing[0]}
          {sheet.missing.length > 1 && `, and ${String(sheet.missing.length - 1)} more`}
        </Text>
      )}
      <Box flex="1" />
      <Word aria-label="Smaller" disabled={zoom <= 1} onClick={() => zoomSheet(zoom / ZOOM)}>
        −
      </Word>
      <Word title="The whole sheet" disabled={zoom === 1} onClick={() => zoomSheet(1)}>
        Whole
      </Word>
      <Word aria-label="Larger" disabled={zoom > 12} onClick={() => zoomSheet(zoom * ZOOM)}>
        +
      </Word>
      <Link color="snap" fontWeight={500} href={sheetsFile(session.drawing)} target="_blank" rel="noreferrer">
        PDF
      </Link>
      <Link
        color="snap"
        fontWeight={500}
        href={sheetPicture(session.drawing, sheet.number)}
        target="_blank"
        rel="noreferrer"
      >
        PNG
      </Link>
      {sheet.pages > 1 && (
        <Link
          color="snap"
          fontWeight={500}
          title={`On ${sheet.pages} pages of A4, with marks to join them`}
          href={sheetsFile(session.drawing, sheet.number)}
          target="_blank"
          rel="noreferrer"
        >
          On A4
        </Link>
      )}
      <Link
        color="snap"
        fontWeight={500}
        title="A stand-in for a pen plotter draws it from the PDF"
        href={sheetPlot(session.drawing, sheet.number)}
        target="_blank"
        rel="noreferrer"
      >
        Plotter
      </Link>
      <Word color="snap" onClick={() => window.print()}>
        Print
      </Word>
    </Flex>
  );
}
