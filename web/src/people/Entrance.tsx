/** The way in: the pages for who is signed in, or a sign-in where people sign in and nobody is. */
import { Box, Text } from "@chakra-ui/react";
import { type ReactNode, useEffect } from "react";
import { useLocation } from "react-router";

import { loadWho, useWho } from "../state/who";
import { Word } from "../Words";
import { SignIn } from "./SignIn";

export function Entrance({ children }: { children: ReactNode }) {
  const { who, problem } = useWho();
  const { pathname } = useLocation();
  useEffect(() => {
    void loadWho();
  }, []);
  if (problem !== "" && who === null) {
    return (
      <Box p="10">
        <Text mb="2">{problem}</Text>
        <Word ml="-1.5" color="snap" onClick={() => void loadWho()}>
          Try again
        </Word>
      </Box>
    );
  }
  if (who === null) return null;
  const open = /^\/(join|look)\//.test(pathname);
  const looking = who.looking.some((id) => pathname === `/drawings/${id}`);
  if (who.office && who.person === null && !open && !looking) return <SignIn />;
  return children;
}
