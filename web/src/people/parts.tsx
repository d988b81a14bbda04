/** What the pages of people are made of: a small sheet in the middle, fields, a sentence for what was refused. */
import { Box, Flex, Heading, Input, Text } from "@chakra-ui/react";
import { type ReactNode, useState } from "react";

import { Refusal } from "../api/client";
import { MainWord, Strip, Word } from "../Words";

export function SmallPage({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Flex direction="column" minH="100%">
      <Strip>
        <Box flex="1" />
      </Strip>
      <Box
        as="main"
        w="380px"
        maxW="92vw"
        mx="auto"
        mt="14vh"
        mb="8"
        p="6"
        bg="panel"
        borderWidth="1px"
        borderColor="rule"
        borderRadius="6px"
      >
        <Heading as="h1" fontSize="18px" fontWeight={600} mb="3">
          {title}
        </Heading>
        {children}
      </Box>
    </Flex>
  );
}

export function Field({
  label,
  value,
  set,
  type = "text",
  complete,
  focus = false,
}: {
  label: string;
  value: string;
  set: (value: string) => void;
  type?: "text" | "password";
  complete: string;
  focus?: boolean;
}) {
  return (
    <Box as="label" display="block" mb="3">
      <Text fontSize="12px" color="quiet" mb="1">
        {label}
      </Text>
      <Input
        size="sm"
        bg="paper"
        type={type}
        value={value}
        autoFocus={focus}
        autoComplete={complete}
        maxLength={type === "password" ? 200 : 80}
        onChange={(event) => set(event.target.value)}
      />
    </Box>
  );
}

/** A form that says what was refused, at the place where it was typed. */
export function Form({
  word,
  ready,
  send,
  children,
}: {
  word: string;
  ready: boolean;
  send: () => Promise<void>;
  children: ReactNode;
}) {
  const { problem, busy, attempt } = useAttempt();
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        if (ready && !busy) void attempt(send);
      }}
    >
      {children}
      <Problem said={problem} />
      <MainWord type="submit" py="2" mt="1" disabled={!ready || busy}>
        {word}
      </MainWord>
    </form>
  );
}

export function Problem({ said }: { said: string }) {
  return said === "" ? null : (
    <Text role="alert" color="place" mb="2">
      {said}
    </Text>
  );
}

/** Does something, and keeps what was refused. */
export function useAttempt() {
  const [problem, setProblem] = useState("");
  const [busy, setBusy] = useState(false);
  const attempt = async (work: () => Promise<unknown>) => {
    setBusy(true);
    try {
      await work();
      setProblem("");
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      setProblem(error.message);
    } finally {
      setBusy(false);
    }
  };
  return { problem, busy, attempt };
}

/** One name and the word that takes it. */
export function AskName({
  label,
  word,
  main = false,
  take,
}: {
  label: string;
  word: string;
  main?: boolean;
  take: (name: string) => void;
}) {
  const [name, setName] = useState("");
  const Taking = main ? MainWord : Word;
  return (
    <Flex
      as="form"
      gap="2"
      mb="3"
      onSubmit={(event) => {
        event.preventDefault();
        take(name);
        setName("");
      }}
    >
      <Input
        size="sm"
        bg="panel"
        aria-label={label}
        placeholder={label}
        maxLength={80}
        value={name}
        onChange={(event) => setName(event.target.value)}
      />
      <Taking type="submit" disabled={name.trim() === ""}>
        {word}
      </Taking>
    </Flex>
  );
}
