/** The shelf: the drawings that one may see, each with a small true picture; searched, and in pages. */
import { Box, Flex, Grid, Heading, Text } from "@chakra-ui/react";
import { useCallback, useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";

import * as api from "../api/client";
import type { Drawing } from "../api/types";
import { useDrops } from "../files/drops";
import { OwnMenu } from "../people/OwnMenu";
import { Shared } from "../people/Shared";
import { useWho } from "../state/who";
import { MainWord, Strip, Word } from "../Words";
import { Card } from "./Card";
import { Dropped } from "./Dropped";
import { ANY, Finding, type Wanted } from "./Finding";

interface Shown {
  readonly drawings: readonly Drawing[];
  readonly count: number;
  readonly after: string | null;
}

export function Shelf() {
  const [shown, setShown] = useState<Shown | null>(null);
  const [wanted, setWanted] = useState<Wanted>(ANY);
  const [problem, setProblem] = useState<string | null>(null);
  const [deleted, setDeleted] = useState<Drawing | null>(null);
  const [sharing, setSharing] = useState<Drawing | null>(null);
  const office = useWho((w) => w.who?.office ?? false);
  const navigate = useNavigate();
  const asked = useRef(0);

  /** Does something, then shows the shelf as it is; of several answers under way the last one asked for counts. */
  const attempt = useCallback(
    async (work: () => Promise<unknown>, look: Wanted) => {
      const number = ++asked.current;
      try {
        await work();
        const page = await api.listDrawings(look);
        if (number !== asked.current) return;
        setShown(page);
        setProblem(null);
      } catch (error) {
        if (!(error instanceof api.Refusal)) throw error;
        setProblem(error.message);
      }
    },
    [setShown],
  );
  const doing = (work: () => Promise<unknown>) => void attempt(work, wanted);

  useEffect(() => {
    document.title = "Kentrograph";
    void attempt(() => Promise.resolve(), wanted);
  }, [attempt, wanted]);

  const more = async () => {
    try {
      const page = await api.listDrawings({ ...wanted, after: shown?.after ?? null });
      setShown((before) => (before ? { ...page, drawings: [...before.drawings, ...page.drawings] } : page));
    } catch (error) {
      if (!(error instanceof api.Refusal)) throw error;
      setProblem(error.message);
    }
  };

  const [file, setFile] = useState<File | null>(null);
  const { over, ...drops } = useDrops(setFile);
  const make = (name: string, text: string) =>
    doing(async () => {
      const made = await api.createDrawing(name, text);
      setFile(null);
      await navigate(`/drawings/${made.id}`);
    });

  const create = () =>
    doing(async () => {
      const made = await api.createDrawing(nextName(shown?.drawings ?? []));
      await navigate(`/drawings/${made.id}`);
    });
  const remove = (drawing: Drawing) =>
    doing(async () => {
      await api.deleteDrawing(drawing.id);
      setDeleted(drawing);
    });
  const bringBack = (drawing: Drawing) =>
    doing(async () => {
      await api.restoreDrawing(drawing.id);
      setDeleted(null);
    });

  return (
    <Flex direction="column" minH="100%" {...drops} bg={over ? "lit" : undefined}>
      <Strip>
        <Box flex="1" />
        <Alone />
        <OwnMenu />
      </Strip>
      <Box as="main" w="100%" maxW="1180px" mx="auto" px="6" py="7">
        <Flex align="center" justify="space-between" mb="4">
          <Heading as="h1" fontSize="20px" fontWeight={600}>
            Drawings
          </Heading>
          <Flex align="center" gap="3">
            <Text color="quiet" fontSize="12px">
              A file dropped here becomes a drawing.
            </Text>
            <MainWord py="2" onClick={create}>
              New drawing
            </MainWord>
          </Flex>
        </Flex>
        <Finding wanted={wanted} set={setWanted} count={shown?.count ?? null} />
        {problem !== null && (
          <Text role="alert" color="place" mb="4">
            {problem}
          </Text>
        )}
        {deleted && (
          <Flex role="status" align="center" gap="2" mb="4" px="3" py="1.5" bg="lit" borderRadius="4px">
            <Text>
              Deleted <b>{deleted.name}</b>.
            </Text>
            <Word color="snap" onClick={() => bringBack(deleted)}>
              Put it back
            </Word>
          </Flex>
        )}
        {file && <Dropped file={file} make={make} leave={() => setFile(null)} />}
        {sharing && <SharingSheet key={sharing.id} drawing={sharing} close={() => setSharing(null)} />}
        {shown?.drawings.length === 0 && <Nothing wanted={wanted} />}
        <Grid templateColumns="repeat(auto-fill, minmax(264px, 1fr))" gap="5">
          {shown?.drawings.map((drawing) => (
            <Card
              key={drawing.id}
              drawing={drawing}
              office={office}
              onRename={(name) => doing(() => api.renameDrawing(drawing.id, name))}
              onDuplicate={() => doing(() => api.duplicateDrawing(drawing.id))}
              onDelete={() => remove(drawing)}
              onRestore={wanted.deleted ? () => bringBack(drawing) : null}
              onShare={() => setSharing(drawing)}
            />
          ))}
        </Grid>
        {shown?.after != null && (
          <Flex justify="center" mt="6">
            <Word color="snap" onClick={() => void more()}>
              More of them
            </Word>
          </Flex>
        )}
      </Box>
    </Flex>
  );
}

/** Where nobody signs in it says so: whoever is at this machine is in. */
function Alone() {
  const who = useWho((w) => w.who);
  return who !== null && !who.office && who.person !== null ? (
    <Text color="quiet" fontSize="12px">
      Open to whoever is at this machine, as {who.person.name}
    </Text>
  ) : null;
}

function Nothing({ wanted }: { wanted: Wanted }) {
  if (wanted.deleted) return <Text color="quiet">Nothing was deleted.</Text>;
  const all = wanted === ANY || (wanted.words === "" && !wanted.person && !wanted.team);
  return (
    <Text color="quiet">{all ? "No drawings yet. “New drawing” opens an empty one." : "No drawing is like this."}</Text>
  );
}

function SharingSheet({ drawing, close }: { drawing: Drawing; close: () => void }) {
  return (
    <Box
      ref={(sheet: HTMLDivElement | null) => sheet?.scrollIntoView({ block: "nearest" })}
      role="region"
      aria-label="Sharing"
      w="380px"
      mb="5"
      p="4"
      bg="panel"
      borderWidth="1px"
      borderColor="rule"
      borderRadius="5px"
    >
      <Flex align="center" mb="1">
        <Text flex="1" fontWeight={600} truncate>
          {drawing.name}
        </Text>
        <Word color="quiet" onClick={close}>
          Done
        </Word>
      </Flex>
      <Shared drawing={drawing.id} />
    </Box>
  );
}

function nextName(drawings: readonly Drawing[]): string {
  const taken = new Set(drawings.map((d) => d.name));
  let number = 1;
  while (taken.has(`Drawing ${number}`)) number++;
  return `Drawing ${number}`;
}
