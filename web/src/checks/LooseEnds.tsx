/** What almost meets, almost touches or lies twice, with what would put it right. */
import { refuse, ring, tryOut, unring } from "../state/actions";
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { numbersOf, Refusal } from "../api/client";
import type { Finding } from "../api/types";
import { useDocument } from "../state/document";

import { limitLoose, loadLoose, useLoose } from "../state/loose";
import { usePreferences } from "../state/preferences";
import { selectAll } from "../state/selection";
import { useTable } from "../table/context";
import { newId } from "../table/entry";

import { Word } from "../Words";
import { Part } from "./Part";

/** How large a loose end is shown where one goes to it, and how large its mark is, in pixels. */
const ABOUT = 24;
const MARK_PIXELS = 11;

export function LooseEnds() {
  const { session } = useTable();
  const revision = useDocument((d) => d.revision);
  const limit = usePreferences((p) => p.limits[session.drawing]);
  const { of, shown } = useLoose();
  useEffect(() => {
    if (revision >= 0) void loadLoose(session.drawing);
  }, [session.drawing, revision, limit]);
  if (!shown || of !== session.drawing) return null;
  const offered = shown.findings.filter((one) => one.offer !== "");
  return (
    <Part title="Loose ends" count={shown.count} trouble always aside={<Limit limit={shown.limit} unit={shown.unit} />}>
      {shown.count === 0 && (
        <Text px="4" color="quiet">
          None: all that comes so near meets, touches, or lies apart.
        </Text>
      )}
      <Box as="ul" listStyleType="none" aria-label="Loose ends found">
        {shown.findings.map((one) => (
          <Row key={one.key} finding={one} limit={shown.limit} />
        ))}
      </Box>
      {shown.count > shown.findings.length && (
        <Text px="4" color="quiet">
          and {shown.count - shown.findings.length} more
        </Text>
      )}
      {ofAKind(offered).map(([what, ones]) => (
        <Word
          key={what}
          mx="2.5"
          color="snap"
          title={what}
          onClick={() =>
            void settle(
              session,
              ones.map((one) => one.key),
              shown.limit,
            )
          }
        >
          Mend the {ones.length} {WHAT[what] ?? what}
        </Word>
      ))}
      {offered.length > 1 && (
        <Word
          mx="2.5"
          color="snap"
          onClick={() =>
            void settle(
              session,
              offered.map((one) => one.key),
              shown.limit,
            )
          }
        >
          Mend all {offered.length} that can be
        </Word>
      )}
    </Part>
  );
}

/** What is mended together, by its kind. */
const WHAT: Readonly<Record<string, string>> = {
  ends: "ends that almost meet",
  open: "outlines that almost close",
  near: "figures that almost touch",
  double: "doubles",
  beside: "places beside others",
  short: "short stretches",
  crosses: "outlines that cross themselves",
};

/** Where there are several kinds, those of which several can be mended. */
function ofAKind(offered: readonly Finding[]): [string, Finding[]][] {
  const kinds = new Map<string, Finding[]>();
  for (const one of offered) {
    const kind = one.key.split("|")[0] ?? "";
    kinds.set(kind, [...(kinds.get(kind) ?? []), one]);
  }
  return kinds.size > 1 ? [...kinds].filter(([, ones]) => ones.length > 1) : [];
}

async function settle(
  session: ReturnType<typeof useTable>["session"],
  findings: string[],
  limit: number,
): Promise<void> {
  tryOut(null);
  const answer = await session.act({ do: "settle", id: newId(), findings, limit });
  if (!answer.ok) refuse(answer.message);
}

function Row({ finding, limit }: { finding: Finding; limit: number }) {
  const { session, view } = useTable();
  const look = () => ring(finding.at, MARK_PIXELS * (view.current?.pixel ?? 1), finding.figures[0] ?? null);
  const go = () => {
    selectAll(finding.figures, finding.figures[0] ?? null);
    view.current?.goTo(finding.at, ABOUT * Math.max(finding.amount, limit / ABOUT));
  };
  return (
    <Flex
      as="li"
      px="4"
      py="1"
      gap="1"
      align="flex-start"
      borderBottomWidth="1px"
      borderColor="rule"
      onPointerEnter={look}
      onPointerLeave={unring}
    >
      <Word
        flex="1"
        ml="-1.5"
        py="0.5"
        textAlign="left"
        whiteSpace="normal"
        fontWeight={400}
        title="Go there"
        onFocus={look}
        onBlur={unring}
        onClick={go}
      >
        {finding.words}
      </Word>
      {finding.offer !== "" && (
        <Word
          py="0.5"
          fontSize="12px"
          color="snap"
          title={finding.offer}
          aria-label={`Mend: ${finding.offer}`}
          onClick={() => void settle(session, [finding.key], limit)}
        >
          Mend
        </Word>
      )}
    </Flex>
  );
}

/** How near is too near to be meant: a length as the drawing reads it; nothing, or 0, for the usual. */
function Limit({ limit, unit }: { limit: number; unit: string }) {
  const { session } = useTable();
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState("");
  const take = async () => {
    if (typed === null) return;
    try {
      const [found] = typed.trim() === "" ? [0] : await numbersOf(session.drawing, "length", typed);
      limitLoose(session.drawing, found || null);
      setWrong("");
      setTyped(null);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      setWrong(error.message);
    }
  };
  return (
    <Box data-own-keys color="quiet" textAlign="right">
      <Flex align="center" justify="flex-end" gap="1" whiteSpace="nowrap">
        nearer than
        <Input
          size="2xs"
          w="56px"
          px="1"
          textAlign="right"
          aria-label={`Nearer than, in ${unit}; empty for the usual`}
          aria-invalid={wrong !== ""}
          value={typed ?? String(Number(limit.toPrecision(4)))}
          onFocus={(e) => e.target.select()}
          onChange={(e) => setTyped(e.target.value)}
          onBlur={() => void take()}
          onKeyDown={(e) => {
            if (e.key === "Enter") void take();
            if (e.key === "Escape") {
              setWrong("");
              setTyped(null);
            }
          }}
        />
        {unit}
      </Flex>
      {wrong !== "" && (
        <Text role="alert" color="place">
          {wrong}
        </Text>
      )}
    </Box>
  );
}
