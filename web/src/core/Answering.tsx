/** Who works out what is only looked at, to be seen and chosen. */
import { Flex, Text } from "@chakra-ui/react";

import { usePreferences } from "../state/preferences";
import { type Standing, useCore } from "./core";

const SAID: Readonly<Record<Standing, string>> = {
  off: "The server does.",
  waking: "It wakes; the server does meanwhile.",
  opening: "It reads the drawing; the server does meanwhile.",
  ready: "It does, however slow the network is.",
  failed: "It cannot here; the server does.",
};

export function Answering() {
  const answering = usePreferences((p) => p.answering);
  const { standing, why } = useCore();
  return (
    <>
      <Text color="label" fontWeight={600} mt="2">
        Previews
      </Text>
      <Flex as="label" align="center" gap="1.5">
        <input
          type="checkbox"
          checked={answering === "page"}
          onChange={(e) => usePreferences.setState({ answering: e.target.checked ? "page" : "server" })}
        />
        <Text>This page works them out</Text>
      </Flex>
      <Text color="quiet" title={why || undefined} data-standing={standing}>
        {SAID[standing]}
      </Text>
    </>
  );
}
