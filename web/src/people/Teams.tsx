/** Teams: people who are named together where a drawing is shared. */
import { Box, Flex, Heading, Text } from "@chakra-ui/react";

import * as api from "../api/people";
import type { Person, Team } from "../api/types";
import { Choice } from "../Choice";
import { Word } from "../Words";
import { AskName } from "./parts";

export function Teams({
  people,
  teams,
  doing,
}: {
  people: readonly Person[];
  teams: readonly Team[];
  doing: (work: () => Promise<unknown>) => void;
}) {
  return (
    <Box as="section" aria-label="Teams">
      <AskName label="Name of a new team" word="Make" take={(name) => doing(() => api.makeTeam(name))} />
      {teams.length === 0 && (
        <Text color="quiet">No teams yet. A drawing can be shared with a whole team at once.</Text>
      )}
      {teams.map((team) => (
        <Box key={team.id} py="2" borderTopWidth="1px" borderColor="rule" role="group" aria-label={`Team ${team.name}`}>
          <Flex align="center">
            <Heading as="h2" flex="1" fontSize="13px" fontWeight={600} lineHeight="1.35" truncate>
              {team.name}
            </Heading>
            <Word onClick={() => doing(() => api.deleteTeam(team.id))}>Dissolve</Word>
          </Flex>
          <Members team={team} people={people} set={(members) => doing(() => api.changeTeam(team.id, { members }))} />
        </Box>
      ))}
    </Box>
  );
}

function Members({ team, people, set }: { team: Team; people: readonly Person[]; set: (members: string[]) => void }) {
  const inside = people.filter((one) => team.members.includes(one.id));
  const ids = inside.map((one) => one.id);
  return (
    <Flex wrap="wrap" align="center" gap="1" mt="1">
      {inside.map((one) => (
        <Word
          key={one.id}
          fontWeight={400}
          borderWidth="1px"
          borderColor="rule"
          title={`Take ${one.name} out`}
          aria-label={`Take ${one.name} out of ${team.name}`}
          onClick={() => set(ids.filter((id) => id !== one.id))}
        >
          {one.name} ×
        </Word>
      ))}
      <Choice aria-label={`Add to ${team.name}`} value="" onChange={(event) => set([...ids, event.target.value])}>
        <option value="">Add …</option>
        {people
          .filter((one) => !ids.includes(one.id))
          .map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
      </Choice>
    </Flex>
  );
}
