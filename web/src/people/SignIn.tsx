/** Signing in. */
import { Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { signIn } from "../api/people";
import { loadWho } from "../state/who";
import { Field, Form, SmallPage } from "./parts";

export function SignIn() {
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  useEffect(() => {
    document.title = "Sign in · Kentrograph";
  }, []);
  return (
    <SmallPage title="Sign in">
      <Form
        word="Sign in"
        ready={name.trim() !== "" && password !== ""}
        send={async () => {
          await signIn(name, password);
          await loadWho();
        }}
      >
        <Field label="Name" value={name} set={setName} complete="username" focus />
        <Field label="Password" value={password} set={setPassword} type="password" complete="current-password" />
      </Form>
      <Text color="quiet" fontSize="12px" mt="4">
        Who keeps the office gives you a link to join, or to set a password anew.
      </Text>
    </SmallPage>
  );
}
