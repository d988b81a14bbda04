/** Which drawings the shelf shows: by words in their names, by whose they are, or those that were deleted. */
import { Flex, Input, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { people, teams } from "../api/people";
import { Refusal } from "../api/client";
import { Choice } from "../Choice";
import { useWho } from "../state/who";

export interface Wanted {
  readonly words: string;
  readonly person: string | null;
  readonly team: string | null;
  readonly deleted: boolean;
}

export const ANY: Wanted = { words: "", person: null, team: null, deleted: false };
const PAUSE = 200;

export function Finding({
  wanted,
  set,
  count,
}: {
  wanted: Wanted;
  set: (wanted: Wanted) => void;
  count: number | null;
}) {
  const who = useWho((w) => w.who);
  const [typed, setTyped] = useState(wanted.words);
  const [whose, setWhose] = useState<readonly { readonly key: string; readonly name: string }[]>([]);
  useEffect(() => {
    if (typed === wanted.words) return;
    const timer = window.setTimeout(() => set({ ...wanted, words: typed }), PAUSE);
    return () => window.clearTimeout(timer);
  }, [typed, wanted, set]);
  useEffect(() => {
    if (!who?.office || !who.person) return;
    const me = who.person.id;
    Promise.all([people(), teams()]).then(
      ([everyone, every]) => {
        const others = everyone
          .filter((one) => one.id !== me)
          .map((one) => ({ key: `person ${one.id}`, name: one.name }));
        const shared = every.map((one) => ({ key: `team ${one.id}`, name: `Shared with ${one.name}` }));
        setWhose([{ key: `person ${me}`, name: "Mine" }, ...shared, ...others]);
      },
      (error: unknown) => {
        if (!(error instanceof Refusal)) throw error;
      },
    );
  }, [who]);
  const chosen = wanted.deleted
    ? "deleted"
    : wanted.person
      ? `person ${wanted.person}`
      : wanted.team
        ? `team ${wanted.team}`
        : "";
  const choose = (key: string) => {
    const [kind, id = null] = key.split(" ");
    set({
      words: typed,
      person: kind === "person" ? id : null,
      team: kind === "team" ? id : null,
      deleted: kind === "deleted",
    });
  };
  return (
    <Flex align="center" gap="2" mb="4">
      <Input
        size="xs"
        w="220px"
        bg="panel"
        aria-label="Find by name"
        placeholder="Find by name"
        maxLength={200}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === "Escape") setTyped("");
        }}
      />
      <Choice aria-label="Which drawings" value={chosen} onChange={(event) => choose(event.target.value)}>
        <option value="">All drawings</option>
        {whose.map(({ key, name }) => (
          <option key={key} value={key}>
            {name}
          </option>
        ))}
        <option value="deleted">Deleted</option>
      </Choice>
      {count !== null && (
        <Text color="quiet" fontSize="12px" fontVariantNumeric="tabular-nums">
          {count === 1 ? "1 drawing" : `${count.toLocaleString("en")} drawings`}
        </Text>
      )}
    </Flex>
  );
}
