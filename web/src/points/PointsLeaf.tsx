/** The setting-out tables: places with coordinates from a corner and a direction, or from two edges; live. */
import { refuse, ring, unring } from "../state/actions";
import { Box, Flex, Link, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { tableFile } from "../api/client";
import type { PointTable } from "../api/types";
import { showStep } from "../state/selection";
import { useDocument } from "../state/document";
import { loadTables, useHandOver } from "../state/handover";

import { useTable } from "../table/context";

import { Word } from "../Words";

const MARK_PIXELS = 11;
const ABOUT_PIXELS = 200;

export function PointsLeaf() {
  const { session, openLine } = useTable();
  const revision = useDocument((d) => d.revision);
  const { of, tables } = useHandOver();
  useEffect(() => {
    if (revision >= 0) void loadTables(session.drawing);
  }, [session.drawing, revision]);
  return (
    <Box pb="4">
      {of === session.drawing && tables.map((table) => <OneTable key={table.id} table={table} />)}
      <Box px="4" pt="3" color="quiet">
        {tables.length === 0 && (
          <Text mb="1">
            No places are set out yet. A table gives them from a corner and a direction, or by distances from two edges.
          </Text>
        )}
        <Word ml="-1.5" color="snap" onClick={() => openLine.begin("table")}>
          New table
        </Word>
        <Text fontSize="12px" mt="1">
          Click on places, outlines, circles and arcs; then say <b>from</b> and a corner, <b>direction</b> and an edge,
          or <b>edges</b> and two of them.
        </Text>
      </Box>
    </Box>
  );
}

function OneTable({ table }: { table: PointTable }) {
  const { session, openLine } = useTable();
  const step = useDocument((d) => d.byId.get(table.id));
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    try {
      await navigator.clipboard.writeText([table.heads, ...table.rows.map((row) => row.words)].map(line).join("\n"));
      setCopied(true);
      setTimeout(() => setCopied(false), 1500);
    } catch {
      refuse("The clipboard cannot be written to in this browser.");
    }
  };
  return (
    <Box as="section" aria-label={`Table ${table.name}`} pt="3">
      <Flex px="4" align="baseline" gap="1.5">
        <Word ml="-1.5" fontWeight={600} title="Show it in the book" onClick={() => showStep(table)}>
          {table.name}
        </Word>
        <Text color="quiet" fontSize="12px" truncate flex="1" title={step?.text}>
          {table.title}
        </Text>
      </Flex>
      <Box px="4" overflowX="auto">
        <Box as="table" w="100%" fontSize="12px" fontVariantNumeric="tabular-nums" borderCollapse="collapse">
          <thead>
            <Box as="tr" color="label" textAlign="left">
              {table.heads.map((head, n) => (
                <Box as="th" key={n} fontWeight={600} py="1" pl={n ? "2" : "0"} textAlign={n > 1 ? "right" : "left"}>
                  {head}
                </Box>
              ))}
            </Box>
          </thead>
          <tbody>
            {table.rows.map((row, n) => (
              <Row key={n} row={row} />
            ))}
          </tbody>
        </Box>
      </Box>
      <Flex px="4" pt="1" fontSize="12px" gap="1" ml="-1.5" align="baseline">
        <Word
          title="Opens it on the open line: places and figures that are clicked come in"
          onClick={() => openLine.open(table.id, true)}
        >
          Add places
        </Word>
        <Word onClick={() => void copy()}>{copied ? "Copied" : "Copy"}</Word>
        <Link color="ink" fontWeight={500} px="1.5" href={tableFile(session.drawing, table.id)} download>
          CSV
        </Link>
      </Flex>
    </Box>
  );
}

/** One row of what is copied: tables take tabs. */
const line = (words: readonly string[]) => words.map((word) => word.replaceAll("\t", " ")).join("\t");

function Row({ row }: { row: PointTable["rows"][number] }) {
  const { view } = useTable();
  const look = () => ring(row.at, MARK_PIXELS * (view.current?.pixel ?? 1));
  return (
    <Box
      as="tr"
      borderTopWidth="1px"
      borderColor="rule"
      cursor="pointer"
      _hover={{ bg: "lit" }}
      title="Go there"
      onPointerEnter={look}
      onPointerLeave={unring}
      onClick={() => {
        const shown = view.current;
        shown?.goTo(row.at, ABOUT_PIXELS * shown.pixel);
      }}
    >
      {row.words.map((word, n) => (
        <Box
          as="td"
          key={n}
          py="0.5"
          pl={n ? "2" : "0"}
          textAlign={n > 1 ? "right" : "left"}
          whiteSpace={n > 1 ? "nowrap" : undefined}
        >
          {word}
        </Box>
      ))}
    </Box>
  );
}
