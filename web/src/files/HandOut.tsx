/** The drawing as a file: what of it, in which format, with how many decimals; what came of reading it back. */
import { Box, Flex, Input, Link, Text } from "@chakra-ui/react";
import { useEffect } from "react";

import { keepFile, lookAt, showCut } from "../api/files";
import type { FileFormat, FileLook } from "../api/types";
import { useDocument } from "../state/document";
import { loadGroups, useGroups } from "../state/groups";
import { useInterface } from "../state/interface";
import { selectedIds } from "../state/selection";
import { Choice } from "../Choice";
import { useTable } from "../table/context";
import { refuse } from "../table/writing";
import { Word } from "../Words";
import { asked, useFiles, type What } from "./options";
import { Busy, Row, size } from "./parts";
import { useWork } from "./useWork";

const SIDES = {
  part: "outside, and inside of holes",
  outside: "outside",
  inside: "inside",
  left: "to the left",
  right: "to the right",
} as const;

const told = (error: unknown) => refuse(error instanceof Error ? error.message : String(error));

export function useLook() {
  const { session } = useTable();
  const revision = useDocument((d) => d.revision);
  const options = useFiles();
  const selected = useInterface((i) => [i.selected, ...i.others].join(" "));
  const wanted = asked(options, selectedIds());
  const key = JSON.stringify([
    session.drawing,
    revision,
    options.format,
    wanted,
    options.what === "selected" && selected,
  ]);
  return {
    wanted,
    ...useWork<FileLook>(key, (signal, progress) => lookAt(session.drawing, options.format, wanted, signal, progress)),
  };
}

export function HandOut({ formats, look }: { formats: readonly FileFormat[]; look: ReturnType<typeof useLook> }) {
  const { session } = useTable();
  const options = useFiles();
  const { found, refused, progress, callOff, wanted } = look;
  const name = useDocument((d) => d.name);
  const keep = () => found && keepFile(session.drawing, options.format, wanted, found.name).catch(told);
  return (
    <Box as="section" aria-label="Hand out" fontSize="12px">
      <Text as="h2" color="label" fontWeight={600} mb="1">
        Hand out
      </Text>
      <Row label="Format">
        <Choice
          flex="1"
          minW="0"
          aria-label="Format"
          value={options.format}
          onChange={(e) => useFiles.setState({ format: e.target.value })}
        >
          {formats
            .filter((one) => one.written)
            .map((one) => (
              <option key={one.word} value={one.word}>
                {one.says}
              </option>
            ))}
        </Choice>
      </Row>
      {options.format === "csv" ? (
        <Row label="Content">
          <Choice
            flex="1"
            minW="0"
            aria-label="Content"
            value={options.content}
            onChange={(e) => useFiles.setState({ content: e.target.value as "points" | "readings" })}
          >
            <option value="points">points: those placed, or corners and centres</option>
            <option value="readings">readings</option>
          </Choice>
        </Row>
      ) : null}
      <WhatOf />
      <Row label="Decimals">
        <Choice
          flex="1"
          minW="0"
          aria-label="Decimals"
          value={options.decimals}
          onChange={(e) => useFiles.setState({ decimals: e.target.value })}
        >
          <option value="">{options.format === "nc" ? "as machines take them" : "every digit"}</option>
          {Array.from({ length: 10 }, (_, n) => (
            <option key={n}>{n}</option>
          ))}
        </Choice>
      </Row>
      {options.format === "nc" && <ToolRows />}
      <Box mt="3" minH="92px" aria-live="polite">
        {progress && <Busy words="Writing and reading back" progress={progress} callOff={callOff} />}
        {refused !== "" && (
          <Text role="alert" color="place">
            {refused}
          </Text>
        )}
        {found && !progress && <Report found={found} />}
      </Box>
      <Flex gap="2" mt="2" align="center">
        <Word bg="ink" color="panel" px="4" _hover={{ bg: "pressed" }} disabled={!found} onClick={() => void keep()}>
          Keep the file
        </Word>
        {options.format === "nc" && (
          <Word
            color="snap"
            disabled={!found}
            title="A stand-in for a cutter runs the program and shows where it differs"
            onClick={() => void showCut(session.drawing, wanted).catch(told)}
          >
            Cut it
          </Word>
        )}
        <Box flex="1" />
        <Link
          color="snap"
          fontWeight={500}
          href={`/api/drawings/${session.drawing}/text`}
          download={`${name}.kent`}
          title="The drawing's own text, with every step"
        >
          .kent
        </Link>
      </Flex>
    </Box>
  );
}

/** All, what is selected, a group, a pen. */
function WhatOf() {
  const { session } = useTable();
  const revision = useDocument((d) => d.revision);
  const { of, shown } = useGroups();
  const selected = useInterface((i) => (i.selected === null ? 0 : 1 + i.others.length));
  const what = useFiles((f) => f.what);
  useEffect(() => {
    if (revision >= 0) void loadGroups(session.drawing);
  }, [session.drawing, revision]);
  const groups = of === session.drawing ? (shown?.groups ?? []) : [];
  const pens = of === session.drawing ? (shown?.pens ?? []) : [];
  return (
    <Row label="What">
      <Choice
        flex="1"
        minW="0"
        aria-label="What"
        value={what}
        onChange={(e) => useFiles.setState({ what: e.target.value as What })}
      >
        <option value="ink">all that is in ink</option>
        <option value="all">all, construction and points too</option>
        <option value="selected" disabled={selected === 0}>
          what is selected ({selected})
        </option>
        {groups.map((group) => (
          <option key={group.name} value={`group ${group.name}`}>
            group {group.name}
          </option>
        ))}
        {pens.map((pen) => (
          <option key={pen.word} value={`pen ${pen.word}`}>
            pen {pen.word}
          </option>
        ))}
      </Choice>
    </Row>
  );
}

function ToolRows() {
  const { tool, side, inch } = useFiles();
  const unit = useDocument((d) => d.header?.unit ?? "mm");
  return (
    <>
      <Row label="Tool, ⌀">
        <Input
          size="2xs"
          flex="1"
          aria-label="Diameter of the tool"
          placeholder={`none: on the outlines (${unit})`}
          value={tool}
          onChange={(e) => useFiles.setState({ tool: e.target.value })}
        />
      </Row>
      <Row label="Runs">
        <Choice
          flex="1"
          minW="0"
          aria-label="Side"
          disabled={tool === ""}
          value={side}
          onChange={(e) => useFiles.setState({ side: e.target.value as keyof typeof SIDES })}
        >
          {Object.entries(SIDES).map(([word, says]) => (
            <option key={word} value={word}>
              {says}
            </option>
          ))}
        </Choice>
      </Row>
      <Row label="Unit">
        <Choice
          flex="1"
          minW="0"
          aria-label="Unit of the program"
          value={inch ? "in" : "mm"}
          onChange={(e) => useFiles.setState({ inch: e.target.value === "in" })}
        >
          <option>mm</option>
          <option>in</option>
        </Choice>
      </Row>
    </>
  );
}

function Report({ found }: { found: FileLook }) {
  const enough = found.enough;
  return (
    <>
      <Text>
        <b>{found.name}</b>: {found.count} {found.count === 1 ? "figure" : "figures"}, {size(found.size)}
      </Text>
      {found.said !== "" && <Text color={found.good ? "snap" : "place"}>{found.said}</Text>}
      {found.worst.map((one) => (
        <Text key={one.names}>
          {one.names} {one.how}: {one.gap} apart
        </Text>
      ))}
      {enough !== null && (
        <Flex align="baseline" gap="1">
          <Text>{enough} decimals would keep them together.</Text>
          <Word color="snap" onClick={() => useFiles.setState({ decimals: String(enough) })}>
            Take {enough}
          </Word>
        </Flex>
      )}
      {found.left_out.length > 0 && (
        <Text color="place">
          Left out: {found.left_out.slice(0, 3).join("; ")}
          {found.left_out.length > 3 && `; and ${found.left_out.length - 3} more`}
        </Text>
      )}
    </>
  );
}
