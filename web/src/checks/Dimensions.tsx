/** What the dimensions leave open, and which of them say what others say already, or what is not drawn. */
import { ring, unring } from "../state/actions";
import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { dimensionCheck } from "../api/client";
import type { DimensionCheck } from "../api/types";
import { useDocument } from "../state/document";

import { useTable } from "../table/context";
import { Word } from "../Words";
import { showStep } from "../state/selection";
import { Part } from "./Part";

const MARK_PIXELS = 11;
const MOST = 40;

export function Dimensions() {
  const { session } = useTable();
  const revision = useDocument((d) => d.revision);
  const any = useDocument((d) => d.steps.some((s) => s.kind === "dimension" || s.kind === "table"));
  const [found, setFound] = useState<DimensionCheck | null>(null);
  useEffect(() => {
    let wanted = true;
    if (any) void dimensionCheck(session.drawing).then((check) => wanted && setFound(check));
    return () => {
      wanted = false;
    };
  }, [session.drawing, revision, any]);
  if (!any || !found?.looked) return null;
  const { lacking, twice, undrawn } = found;
  const count = lacking.length + twice.length + undrawn.length;
  return (
    <Part title="Dimensions" count={count} always>
      {count === 0 && (
        <Text px="4" color="quiet">
          They say where everything in ink lies, and nothing twice.
        </Text>
      )}
      <Box as="ul" listStyleType="none" aria-label="What dimensions lack">
        {lacking.slice(0, MOST).map((one) => (
          <Lacking key={one.words} one={one} />
        ))}
        {[...undrawn, ...twice].map((one) => (
          <Flex as="li" key={one.words} px="4" py="1" borderBottomWidth="1px" borderColor="rule">
            <Word
              ml="-1.5"
              py="0.5"
              textAlign="left"
              whiteSpace="normal"
              fontWeight={400}
              onClick={() => showStep(one)}
            >
              {one.words}
            </Word>
          </Flex>
        ))}
      </Box>
      {lacking.length > MOST && (
        <Text px="4" color="quiet">
          and {lacking.length - MOST} more
        </Text>
      )}
    </Part>
  );
}

function Lacking({ one }: { one: DimensionCheck["lacking"][number] }) {
  const { view } = useTable();
  const look = () => ring(one.at, MARK_PIXELS * (view.current?.pixel ?? 1), one.figure);
  return (
    <Flex
      as="li"
      px="4"
      py="1"
      borderBottomWidth="1px"
      borderColor="rule"
      onPointerEnter={look}
      onPointerLeave={unring}
    >
      <Word
        ml="-1.5"
        py="0.5"
        textAlign="left"
        whiteSpace="normal"
        fontWeight={400}
        title="Point it out"
        onFocus={look}
        onBlur={unring}
        onClick={look}
      >
        {one.words}
      </Word>
    </Flex>
  );
}
