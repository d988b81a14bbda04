/** The drawing as a file: what of it, in which format, with how many decimals; what came of reading it back. */
import { refuse } from "../state/actions";
import { Box, Flex, Link, Text } from "@chakra-ui/react";
import { useEffect } from "react";

import { keepFile, lookAt, showCut } from "../api/files";
import type { FileFormat, FileLook } from "../api/types";
import { useDocument } from "../state/document";
import { loadGroups, useGroups } from "../state/groups";
import { useInterface } from "../state/interface";
import { selectedIds } from "../state/selection";
import { useTable } from "../table/context";

import { MainWord, Word } from "../Words";
import { asked, type FileOptions, useFiles, type What } from "./options";
import { Busy, Pick, size, Typed } from "./parts";
import { useWork } from "./useWork";

const SIDES: readonly (readonly [string, string])[] = [
  ["part", "outside, and inside of holes"],
  ["outside", "outside"],
  ["inside", "inside"],
  ["left", "to the left"],
  ["right", "to the right"],
];
const DIGITS = Array.from({ length: 10 }, (_, n) => [String(n), String(n)] as const);
const set = useFiles.setState;
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
  const { format, content, decimals, within } = useFiles();
  const unit = useDocument((d) => d.header?.unit ?? "mm");
  const known = formats.filter((one) => one.written).map((one) => [one.word, one.says] as const);
  return (
    <Box as="section" aria-label="Hand out" fontSize="12px">
      <Text as="h2" color="label" fontWeight={600} mb="1">
        Hand out
      </Text>
      <Pick label="Format" value={format} options={known} take={(to) => set({ format: to })} />
      {format === "csv" && (
        <Pick
          label="Content"
          value={content}
          options={[
            ["points", "points: those placed, or corners and centres"],
            ["readings", "readings"],
          ]}
          take={(to) => set({ content: to as FileOptions["content"] })}
        />
      )}
      <WhatOf />
      <Pick
        label="Decimals"
        value={decimals}
        options={[["", format === "nc" ? "as machines take them" : "every digit"], ...DIGITS]}
        take={(to) => set({ decimals: to })}
      />
      {format !== "csv" && decimals !== "" && (
        <Typed
          label="Within"
          says="How far apart what touches may lie"
          placeholder={unit === "mm" ? "0.001" : "0.001 mm"}
          value={within}
          take={(to) => set({ within: to })}
        />
      )}
      {format === "nc" && <ToolRows unit={unit} />}
      <Outcome look={look} />
    </Box>
  );
}

/** What is under way, what was refused, or what the file would be; and what can be done with it. */
function Outcome({ look }: { look: ReturnType<typeof useLook> }) {
  const { session } = useTable();
  const format = useFiles((f) => f.format);
  const name = useDocument((d) => d.name);
  const { found, refused, progress, callOff, wanted } = look;
  const ready = found !== null && progress === null;
  return (
    <>
      <Box mt="3" minH="92px" aria-live="polite">
        {progress && <Busy words="Writing and reading back" progress={progress} callOff={callOff} />}
        {refused !== "" && (
          <Text role="alert" color="place">
            {refused}
          </Text>
        )}
        {ready && <Report found={found} />}
      </Box>
      <Flex gap="2" mt="2" align="center">
        <MainWord
          disabled={!ready}
          onClick={() => found && void keepFile(session.drawing, format, wanted, found.name).catch(told)}
        >
          Keep the file
        </MainWord>
        {format === "nc" && ready && (
          <Word
            color="snap"
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
    </>
  );
}

/** All, what is selected, a group, a pen. */
function WhatOf() {
  const { session } = useTable();
  const revision = useDocument((d) => d.revision);
  const { of, shown } = useGroups();
  const count = useInterface((i) => (i.selected === null ? 0 : 1 + i.others.length));
  const what = useFiles((f) => f.what);
  useEffect(() => {
    if (revision >= 0) void loadGroups(session.drawing);
  }, [session.drawing, revision]);
  const known = of === session.drawing ? shown : null;
  return (
    <Pick
      label="What"
      value={what}
      options={[
        ["ink", "all that is in ink"],
        ["all", "all, construction and points too"],
        ["selected", `what is selected (${count})`],
        ...(known?.groups ?? []).map(({ name }) => [`group ${name}`, `group ${name}`] as const),
        ...(known?.pens ?? []).map(({ word }) => [`pen ${word}`, `pen ${word}`] as const),
      ]}
      take={(to) => set({ what: to as What })}
    />
  );
}

function ToolRows({ unit }: { unit: string }) {
  const { tool, side, inch } = useFiles();
  return (
    <>
      <Typed
        label="Tool, ⌀"
        says="Diameter of the tool"
        placeholder={`none: on the outlines (${unit})`}
        value={tool}
        take={(to) => set({ tool: to })}
      />
      {tool.trim() !== "" && (
        <Pick label="Runs" value={side} options={SIDES} take={(to) => set({ side: to as FileOptions["side"] })} />
      )}
      <Pick
        label="Unit"
        value={inch ? "in" : "mm"}
        options={[
          ["mm", "mm"],
          ["in", "in"],
        ]}
        take={(to) => set({ inch: to === "in" })}
      />
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
          <Word color="snap" onClick={() => set({ decimals: String(enough) })}>
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
