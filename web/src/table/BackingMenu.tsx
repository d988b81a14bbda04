/** A picture of the part, under the drawing or pinned beside it: laid, scaled by two places, moved, faded. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useRef, useState } from "react";

import { putBacking, Refusal, scaleBacking, takeBackingAway } from "../api/client";
import { Drop } from "../Drop";
import { forgetBacking, replaceBacking, takeBacking, useBacking } from "../state/backing";
import { Word } from "../Words";
import { useTable } from "./context";

export function BackingMenu() {
  return (
    <Drop word="Picture" label="A picture under the drawing">
      {(close) => <Sheet close={close} />}
    </Drop>
  );
}

function Sheet({ close }: { close: () => void }) {
  const { session, view } = useTable();
  const { backing } = useBacking();
  const [refused, setRefused] = useState("");
  const file = useRef<HTMLInputElement>(null);
  const drawing = session.drawing;
  const trying = (work: Promise<void>) =>
    work.catch((error: unknown) => {
      if (!(error instanceof Refusal)) throw error;
      setRefused(error.message);
    });
  const lay = async (picture: File) => {
    // It fills about half of the view to begin with.
    const width = (view.current?.size.width ?? 800) * (view.current?.pixel ?? 1);
    const bitmap = await createImageBitmap(picture).catch(() => null);
    const scale = bitmap ? width / 2 / bitmap.width : 1;
    takeBacking(drawing, await putBacking(drawing, picture, scale));
    // It lies upright in the view as it is turned now.
    await replaceBacking(drawing, { turn: view.current?.turn ?? 0 });
  };
  const ask = (what: "scale" | "move") => {
    useBacking.setState({ asking: { what, places: [] } });
    close();
  };
  const placing = backing?.placing;
  return (
    <Box fontSize="12px">
      <input
        ref={file}
        type="file"
        accept="image/png,image/jpeg"
        hidden
        aria-label="Picture file"
        onChange={(e) => {
          const picture = e.target.files?.[0];
          if (picture) void trying(lay(picture));
        }}
      />
      <Text color="quiet">A scan or photograph of the part, PNG or JPEG, up to 8 MB. It is kept with the drawing.</Text>
      <Flex wrap="wrap" ml="-1.5" mt="1">
        <Word onClick={() => file.current?.click()}>{backing ? "Another picture" : "Lay a picture"}</Word>
        {placing && (
          <>
            <Word disabled={placing.pinned} onClick={() => ask("scale")}>
              Scale by two places
            </Word>
            <Word disabled={placing.pinned} onClick={() => ask("move")}>
              Move
            </Word>
            <Word onClick={() => void trying(replaceBacking(drawing, { pinned: !placing.pinned }))}>
              {placing.pinned ? "Lie under the drawing" : "Pin in the corner"}
            </Word>
            <Word onClick={() => void trying(replaceBacking(drawing, { shown: !placing.shown }))}>
              {placing.shown ? "Hide" : "Show"}
            </Word>
            <Word
              onClick={() => {
                void trying(takeBackingAway(drawing).then(forgetBacking));
                close();
              }}
            >
              Take away
            </Word>
          </>
        )}
      </Flex>
      {placing && (
        <Flex as="label" align="center" gap="2" mt="1">
          <Text>Strength</Text>
          <input
            type="range"
            min={0.05}
            max={1}
            step={0.05}
            defaultValue={placing.strength}
            onPointerUp={(e) => void trying(replaceBacking(drawing, { strength: e.currentTarget.valueAsNumber }))}
            onKeyUp={(e) => void trying(replaceBacking(drawing, { strength: e.currentTarget.valueAsNumber }))}
          />
        </Flex>
      )}
      {refused !== "" && (
        <Text role="alert" color="place" mt="1">
          {refused}
        </Text>
      )}
    </Box>
  );
}

/** While places are pointed at for the picture: what to do next, in the strip. */
export function BackingAsking() {
  const { session } = useTable();
  const asking = useBacking((b) => b.asking);
  const [apart, setApart] = useState("");
  const [refused, setRefused] = useState("");
  if (!asking) return null;
  const leave = () => {
    useBacking.setState({ asking: null });
    setApart("");
    setRefused("");
  };
  const [first, second] = asking.places;
  const scale = async () => {
    if (!first || !second) return;
    try {
      takeBacking(session.drawing, await scaleBacking(session.drawing, [...first], [...second], apart));
      leave();
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      setRefused(error.message);
    }
  };
  const words =
    asking.what === "move"
      ? ["Point at a place on the picture", "Point at where it belongs"]
      : [
          "Point at a place on the picture whose distance you know",
          "Point at the other place",
          "How far apart are they?",
        ];
  return (
    <Flex data-own-keys align="center" gap="2" role="status" color="place" fontSize="12px">
      <Text whiteSpace="nowrap">{refused !== "" ? refused : words[asking.places.length]}</Text>
      {asking.places.length === 2 && (
        <Input
          size="2xs"
          w="90px"
          autoFocus
          aria-label="How far apart the two places are"
          value={apart}
          onChange={(e) => {
            setApart(e.target.value);
            setRefused("");
          }}
          onKeyDown={(e) => {
            if (e.key === "Enter") void scale();
            if (e.key === "Escape") leave();
          }}
        />
      )}
      <Word fontSize="12px" color="quiet" onClick={leave}>
        Leave
      </Word>
    </Flex>
  );
}
