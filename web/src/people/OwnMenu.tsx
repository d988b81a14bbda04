/** Who is signed in, at the end of the strip: password, signing out, the office. */
import { Box, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Link } from "react-router";

import { changePassword, signOut } from "../api/people";
import { Drop } from "../Drop";
import { loadWho, useWho } from "../state/who";
import { Word } from "../Words";
import { Field, Form, Problem, useAttempt } from "./parts";

export function OwnMenu() {
  const who = useWho((w) => w.who);
  if (!who?.office) return null;
  if (who.person === null) return <Text color="quiet">Guest</Text>;
  const { name, keeper } = who.person;
  return (
    <Drop word={name} label={`Signed in as ${name}`} end>
      {() => <Own keeper={keeper} />}
    </Drop>
  );
}

function Own({ keeper }: { keeper: boolean }) {
  const [asking, setAsking] = useState(false);
  const { problem, attempt } = useAttempt();
  const leave = (everywhere: boolean) =>
    void attempt(async () => {
      await signOut(everywhere);
      await loadWho();
    });
  if (asking) return <NewPassword done={() => setAsking(false)} />;
  return (
    <Box>
      {keeper && (
        <Link to="/people">
          <Word as="span" display="block" ml="-1.5">
            People and teams
          </Word>
        </Link>
      )}
      <Word display="block" ml="-1.5" onClick={() => setAsking(true)}>
        Another password
      </Word>
      <Word display="block" ml="-1.5" onClick={() => leave(false)}>
        Sign out
      </Word>
      <Word display="block" ml="-1.5" onClick={() => leave(true)}>
        Sign out everywhere
      </Word>
      <Problem said={problem} />
    </Box>
  );
}

function NewPassword({ done }: { done: () => void }) {
  const [now, setNow] = useState("");
  const [changed, setChanged] = useState("");
  return (
    <Form
      word="Change it"
      ready={now !== "" && changed !== ""}
      send={async () => {
        await changePassword(now, changed);
        done();
      }}
    >
      <Field
        label="The password you have now"
        value={now}
        set={setNow}
        type="password"
        complete="current-password"
        focus
      />
      <Field
        label="The new one, 12 characters or more"
        value={changed}
        set={setChanged}
        type="password"
        complete="new-password"
      />
      <Text color="quiet" fontSize="12px" mb="2">
        All other browsers in which you are signed in are signed out.
      </Text>
    </Form>
  );
}
