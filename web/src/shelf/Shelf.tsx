/** The shelf: all drawings, each with a small true picture. */
import { Box, Flex, Grid, Heading, Text } from "@chakra-ui/react";
import { useCallback, useEffect, useState } from "react";
import { useNavigate } from "react-router";

import * as api from "../api/client";
import type { Drawing } from "../api/types";
import { MainWord, Strip, Word } from "../Words";
import { useDrops } from "../files/drops";
import { Card } from "./Card";
import { Dropped } from "./Dropped";

export function Shelf() {
  const [drawings, setDrawings] = useState<Drawing[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [deleted, setDeleted] = useState<Drawing | null>(null);
  const navigate = useNavigate();

  const attempt = useCallback(async (work: () => Promise<unknown>) => {
    try {
      await work();
      setDrawings(await api.listDrawings());
      setProblem(null);
    } catch (error) {
      if (!(error instanceof api.Refusal)) throw error;
      setProblem(error.message);
    }
  }, []);

  useEffect(() => {
    document.title = "Kentrograph";
    void attempt(() => Promise.resolve());
  }, [attempt]);

  const [file, setFile] = useState<File | null>(null);
  const { over, ...drops } = useDrops(setFile);
  const make = (name: string, text: string) =>
    void attempt(async () => {
      const made = await api.createDrawing(name, text);
      setFile(null);
      await navigate(`/drawings/${made.id}`);
    });

  const create = () =>
    void attempt(async () => {
      const made = await api.createDrawing(nextName(drawings ?? []));
      await navigate(`/drawings/${made.id}`);
    });
  const remove = (drawing: Drawing) =>
    void attempt(async () => {
      await api.deleteDrawing(drawing.id);
      setDeleted(drawing);
    });
  const bringBack = (drawing: Drawing) =>
    void attempt(async () => {
      await api.restoreDrawing(drawing.id);
      setDeleted(null);
    });

  return (
    <Flex direction="column" minH="100%" {...drops} bg={over ? "lit" : undefined}>
      <Strip>
        <Box flex="1" />
      </Strip>
      <Box as="main" w="100%" maxW="1180px" mx="auto" px="6" py="7">
        <Flex align="center" justify="space-between" mb="5">
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
        {drawings?.length === 0 && <Text color="quiet">No drawings yet. “New drawing” opens an empty one.</Text>}
        <Grid templateColumns="repeat(auto-fill, minmax(264px, 1fr))" gap="5">
          {drawings?.map((drawing) => (
            <Card
              key={drawing.id}
              drawing={drawing}
              onRename={(name) => void attempt(() => api.renameDrawing(drawing.id, name))}
              onDuplicate={() => void attempt(() => api.duplicateDrawing(drawing.id))}
              onDelete={() => remove(drawing)}
            />
          ))}
        </Grid>
      </Box>
    </Flex>
  );
}

function nextName(drawings: readonly Drawing[]): string {
  const taken = new Set(drawings.map((d) => d.name));
  let number = 1;
  while (taken.has(`Drawing ${number}`)) number++;
  return `Drawing ${number}`;
}
