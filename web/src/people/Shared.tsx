/** With whom a drawing is shared: people, teams, everybody, and links to look at it. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useCallback, useEffect, useState } from "react";

import { makeLink, people, share, sharingOf, takeLinkBack, teams } from "../api/people";
import type { May, ShareAsked, Sharing } from "../api/types";
import { Choice } from "../Choice";
import { Word } from "../Words";
import { Problem, useAttempt } from "./parts";

const WORDS: Record<May, string> = { see: "may look", draw: "may draw", own: "owns it" };
type Other = Pick<ShareAsked, "kind" | "id"> & { name: string };

export function Shared({ drawing }: { drawing: string }) {
  const [sharing, setSharing] = useState<Sharing | null>(null);
  const [others, setOthers] = useState<readonly Other[]>([]);
  const { problem, attempt } = useAttempt();
  const load = useCallback(async () => setSharing(await sharingOf(drawing)), [drawing]);
  useEffect(() => {
    void attempt(async () => {
      await load();
      const [everyone, every] = await Promise.all([people(), teams()]);
      setOthers([
        { kind: "all", id: null, name: "Everybody" },
        ...every.map(({ id, name }) => ({ kind: "team" as const, id, name })),
        ...everyone.filter((one) => !one.left).map(({ id, name }) => ({ kind: "person" as const, id, name })),
      ]);
    });
    // Once for each drawing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [load]);
  if (!sharing) return <Problem said={problem} />;
  const own = sharing.may === "own";
  const set = (whom: Pick<ShareAsked, "kind" | "id">, may: ShareAsked["may"]) =>
    void attempt(async () => setSharing(await share(drawing, { kind: whom.kind, id: whom.id ?? null, may })));
  const known = new Set(sharing.shares.map((one) => one.id ?? "all"));
  return (
    <Box fontSize="12px">
      {sharing.shares.length === 0 && <Text color="quiet">Only who keeps the office sees it.</Text>}
      {sharing.shares.map((one) => (
        <Flex key={one.id ?? "all"} align="center" gap="2" minH="29px" aria-label={`Shared with ${one.name}`}>
          <Text flex="1" truncate title={one.name}>
            {one.name}
            {one.kind === "team" && (
              <Text as="span" color="quiet">
                {" "}
                team
              </Text>
            )}
          </Text>
          {own ? (
            <Choice
              aria-label={`What ${one.name} may do`}
              value={one.may}
              onChange={(event) => set(one, event.target.value as ShareAsked["may"])}
            >
              {(["see", "draw", "own"] as const).map((may) => (
                <option key={may} value={may}>
                  {WORDS[may]}
                </option>
              ))}
              <option value="nothing">no longer</option>
            </Choice>
          ) : (
            <Text color="quiet">{WORDS[one.may]}</Text>
          )}
        </Flex>
      ))}
      {own && (
        <>
          <Choice
            aria-label="Share it with"
            mt="2"
            w="100%"
            value=""
            onChange={(event) => {
              const other = others[Number(event.target.value)];
              if (other) set(other, "see");
            }}
          >
            <option value="">Share it with …</option>
            {others.map((one, n) =>
              known.has(one.id ?? "all") ? null : (
                <option key={one.id ?? "all"} value={n}>
                  {one.name}
                  {one.kind === "team" ? " (team)" : ""}
                </option>
              ),
            )}
          </Choice>
          <Links
            sharing={sharing}
            make={() => void attempt(async () => makeLink(drawing).then(load))}
            take={(token) => void attempt(async () => takeLinkBack(drawing, token).then(load))}
          />
        </>
      )}
      <Problem said={problem} />
    </Box>
  );
}

function Links({ sharing, make, take }: { sharing: Sharing; make: () => void; take: (token: string) => void }) {
  const [copied, setCopied] = useState("");
  return (
    <Box mt="3" pt="2" borderTopWidth="1px" borderColor="rule">
      <Text color="quiet">With a link, somebody without a sign-in may look at the drawing and hand it over.</Text>
      {sharing.links.map((one) => (
        <Flex key={one.token} align="center" gap="1" aria-label="Link to look">
          <Text flex="1" truncate title={location.origin + one.path}>
            {new Date(one.made_at).toLocaleDateString()} by {one.made_by}
          </Text>
          <Word
            onClick={() => {
              void navigator.clipboard.writeText(location.origin + one.path).then(() => setCopied(one.token));
            }}
          >
            {copied === one.token ? "Copied" : "Copy"}
          </Word>
          <Word onClick={() => take(one.token)}>Take back</Word>
        </Flex>
      ))}
      <Word ml="-1.5" color="snap" onClick={make}>
        Make a link
      </Word>
    </Box>
  );
}
