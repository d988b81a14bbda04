/** The office's own mark, which stands in the title block of every sheet. */
import { refuse } from "../state/actions";
import { Flex, Image, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";

import { markOf, putMark, takeMark } from "../api/client";
import { loadSheet } from "../state/handover";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";

import { Word } from "../Words";

export function OwnMark() {
  const { session } = useTable();
  const number = useInterface((i) => i.sheet);
  const [picture, setPicture] = useState("");
  const file = useRef<HTMLInputElement>(null);
  useEffect(() => {
    let url = "";
    void markOf().then((found) => {
      url = found ? URL.createObjectURL(found) : "";
      setPicture(url);
    });
    return () => URL.revokeObjectURL(url);
  }, []);
  const change = async (to: Promise<unknown>) => {
    try {
      await to;
      const found = await markOf();
      setPicture(found ? URL.createObjectURL(found) : "");
      await loadSheet(session.drawing, number ?? 1);
    } catch (error) {
      refuse(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Flex align="center" gap="2" py="0.5">
      <Text w="92px" color="quiet" flex="none">
        Own mark
      </Text>
      {picture && <Image src={picture} alt="The mark as it is" h="24px" maxW="60px" objectFit="contain" />}
      <input
        ref={file}
        type="file"
        accept="image/png"
        aria-label="Picture of your own mark"
        hidden
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) void change(putMark(chosen));
          event.target.value = "";
        }}
      />
      <Word color="snap" title="A PNG picture, for the sheets of all drawings" onClick={() => file.current?.click()}>
        {picture ? "Another" : "Choose a PNG"}
      </Word>
      {picture && <Word onClick={() => void change(takeMark())}>Take off</Word>}
    </Flex>
  );
}
