/** The office: its people, the links by which others join, its teams. For who keeps it. */
import { Box, Flex, Grid, Heading, Text } from "@chakra-ui/react";
import { useCallback, useEffect, useState } from "react";

import * as api from "../api/people";
import type { Invitation, Person, Team } from "../api/types";
import { useWho } from "../state/who";
import { Strip, Word } from "../Words";
import { OwnMenu } from "./OwnMenu";
import { AskName, Problem, useAttempt } from "./parts";
import { Teams } from "./Teams";

export function PeoplePage() {
  const [people, setPeople] = useState<readonly Person[]>([]);
  const [invited, setInvited] = useState<readonly Invitation[]>([]);
  const [teams, setTeams] = useState<readonly Team[]>([]);
  const [link, setLink] = useState<{ readonly whose: string; readonly address: string } | null>(null);
  const { problem, attempt } = useAttempt();
  const load = useCallback(async () => {
    const [one, two, three] = await Promise.all([api.people(), api.invitations(), api.teams()]);
    setPeople(one);
    setInvited(two);
    setTeams(three);
  }, []);
  const doing = (work: () => Promise<unknown>) => void attempt(() => work().then(load));
  useEffect(() => {
    document.title = "People · Kentrograph";
    void attempt(load);
    // Once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [load]);
  const invite = (name: string, person?: string) =>
    doing(async () => setLink({ whose: name, address: await api.invite(name, person) }));
  return (
    <Flex direction="column" minH="100%">
      <Strip>
        <Box flex="1" />
        <OwnMenu />
      </Strip>
      <Box as="main" w="100%" maxW="1180px" mx="auto" px="6" py="7">
        <Heading as="h1" fontSize="20px" fontWeight={600} mb="5">
          People and teams
        </Heading>
        <Problem said={problem} />
        <Grid templateColumns="minmax(0, 3fr) minmax(0, 2fr)" gap="8">
          <Box>
            <AskName main label="Name of who is to join" word="Invite" take={invite} />
            {link && <NewLink {...link} />}
            {invited.map((one) => (
              <Flex key={one.made_at} align="center" gap="2" py="1" color="quiet" aria-label="Open invitation">
                <Text flex="1">
                  {one.name || "Somebody"} {one.again ? "may set a password anew" : "is invited"}, until{" "}
                  {new Date(one.until).toLocaleDateString()}
                </Text>
                <Word onClick={() => doing(() => api.takeInvitationBack(one.made_at))}>Take back</Word>
              </Flex>
            ))}
            <Box mt="3">
              {people.map((one) => (
                <OnePerson
                  key={one.id}
                  person={one}
                  change={(body) => doing(() => api.changePerson(one.id, body))}
                  renew={() => invite(one.name, one.id)}
                />
              ))}
            </Box>
          </Box>
          <Teams people={people.filter((one) => !one.left)} teams={teams} doing={doing} />
        </Grid>
      </Box>
    </Flex>
  );
}

/** A link is shown once: what is kept of it is only whether it fits. */
function NewLink({ whose, address }: { whose: string; address: string }) {
  const [copied, setCopied] = useState("");
  return (
    <Box role="status" px="3" py="2" mb="2" bg="lit" borderRadius="4px">
      <Text>Give this link to {whose || "who is to join"}. It is shown only now, and is good once, for a week.</Text>
      <Flex align="center" gap="2" mt="1">
        <Text flex="1" fontFamily="mono" fontSize="12px" wordBreak="break-all" data-testid="invitation">
          {address}
        </Text>
        <Word color="snap" onClick={() => void navigator.clipboard.writeText(address).then(() => setCopied(address))}>
          {copied === address ? "Copied" : "Copy"}
        </Word>
      </Flex>
    </Box>
  );
}

function OnePerson({
  person,
  change,
  renew,
}: {
  person: Person;
  change: (body: { keeper?: boolean; left?: boolean }) => void;
  renew: () => void;
}) {
  const me = useWho((w) => w.who?.person?.id) === person.id;
  return (
    <Flex
      aria-label={person.name}
      align="center"
      gap="1"
      py="1"
      minH="34px"
      borderTopWidth="1px"
      borderColor="rule"
      color={person.left ? "quiet" : "ink"}
    >
      <Text flex="1" truncate fontWeight={500}>
        {person.name}
        <Text as="span" color="quiet" fontWeight={400}>
          {[
            me && " you",
            person.keeper && " keeps the office",
            person.left ? " has left" : !person.joined && " has no password yet",
          ]
            .filter(Boolean)
            .map((said) => ` ·${String(said)}`)
            .join("")}
        </Text>
      </Text>
      {person.left ? (
        <Word onClick={() => change({ left: false })}>Is back</Word>
      ) : (
        <>
          <Word onClick={renew}>New password</Word>
          <Word onClick={() => change({ keeper: !person.keeper })}>
            {person.keeper ? "Keeps it no longer" : "Keeps the office too"}
          </Word>
          {!me && <Word onClick={() => change({ left: true })}>Has left</Word>}
        </>
      )}
    </Flex>
  );
}
