/** What is in a file, before anything of it is taken in: counts, unit, extents, what is left out, which column holds what. */
import { Box, Flex, Text } from "@chakra-ui/react";

import type { Columns } from "../api/files";
import type { FileFound } from "../api/types";
import { Choice } from "../Choice";
import type { useFound } from "./useFound";

const plural = (count: number, kind: string) => `${count} ${kind}${count === 1 ? "" : "s"}`;
const short = (value: number) => Number(value.toPrecision(7)).toString();

export function FoundFile({
  name,
  found,
  read,
}: {
  name: string;
  found: FileFound;
  read: Pick<ReturnType<typeof useFound>, "columns" | "setColumns" | "unit" | "setUnit">;
}) {
  const { columns, setColumns, unit, setUnit } = read;
  const counts = Object.entries(found.counts).map(([kind, count]) => plural(count, kind));
  const [across = 0, up = 0] = found.extents;
  return (
    <Box fontSize="12px">
      <Text fontWeight={600} fontSize="13px" truncate>
        {name}
      </Text>
      <Text>{counts.length > 0 ? counts.join(", ") : "No figure that could be taken in."}</Text>
      {counts.length > 0 && (
        <Text color="quiet">
          {short(across)} by {short(up)} {found.unit}
        </Text>
      )}
      {found.notes.map((note) => (
        <Text key={note} color="quiet">
          {note}
        </Text>
      ))}
      {found.sheet && (
        <ColumnsOf
          sheet={found.sheet}
          columns={columns}
          setColumns={setColumns}
          unit={unit || found.unit}
          setUnit={setUnit}
        />
      )}
      {found.left_out.length > 0 && (
        <Box mt="2" role="region" aria-label="Left out">
          <Text color="place" fontWeight={600}>
            Left out
          </Text>
          {found.left_out.map((one) => (
            <Text key={`${one.what} ${one.why}`}>
              {one.count} {one.what}: {one.why}
              {one.where && (
                <Text as="span" color="quiet">
                  {" "}
                  ({one.where}
                  {one.count > 1 ? " is the first" : ""})
                </Text>
              )}
            </Text>
          ))}
        </Box>
      )}
    </Box>
  );
}

const UNITS = ["mm", "cm", "m", "in", "ft", "yd"];
const NONE = -1;

/** The first rows, and over each column what it holds. */
function ColumnsOf({
  sheet,
  columns,
  setColumns,
  unit,
  setUnit,
}: {
  sheet: NonNullable<FileFound["sheet"]>;
  columns: Columns | null;
  setColumns: (columns: Columns) => void;
  unit: string;
  setUnit: (unit: string) => void;
}) {
  const now = columns ?? { x: sheet.x ?? NONE, y: sheet.y ?? NONE, label: sheet.name };
  const width = Math.max(...sheet.rows.map((row) => row.length), sheet.heads.length);
  const holds = (n: number) => (n === now.x ? "x" : n === now.y ? "y" : n === now.label ? "name" : "");
  const set = (n: number, what: string) => {
    const next = {
      x: now.x === n ? NONE : now.x,
      y: now.y === n ? NONE : now.y,
      label: now.label === n ? null : now.label,
    };
    setColumns(
      what === "x"
        ? { ...next, x: n }
        : what === "y"
          ? { ...next, y: n }
          : what === "name"
            ? { ...next, label: n }
            : next,
    );
  };
  return (
    <Box mt="2">
      <Flex align="center" gap="2" mb="1">
        <Text color="quiet">Numbers are in</Text>
        <Choice aria-label="Unit of the file" flex="none" value={unit} onChange={(e) => setUnit(e.target.value)}>
          {UNITS.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Choice>
      </Flex>
      <Box overflowX="auto">
        <Box
          as="table"
          fontVariantNumeric="tabular-nums"
          css={{ "& td, & th": { padding: "1px 8px 1px 0", textAlign: "left" } }}
        >
          <thead>
            <tr>
              {Array.from({ length: width }, (_, n) => (
                <th key={n}>
                  <Choice aria-label={`Column ${n + 1}`} value={holds(n)} onChange={(e) => set(n, e.target.value)}>
                    <option value="">–</option>
                    <option>x</option>
                    <option>y</option>
                    <option>name</option>
                  </Choice>
                </th>
              ))}
            </tr>
            {sheet.heads.length > 0 && (
              <tr>
                {sheet.heads.map((head, n) => (
                  <th key={n}>{head}</th>
                ))}
              </tr>
            )}
          </thead>
          <tbody>
            {sheet.rows.slice(0, 6).map((row, n) => (
              <tr key={n}>
                {row.map((cell, k) => (
                  <td key={k}>{cell}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
    </Box>
  );
}
