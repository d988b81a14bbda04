/** Taking an invitation: a name, a password, and in. */
import { Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useNavigate, useParams } from "react-router";

import { Refusal } from "../api/client";
import { invitation, join } from "../api/people";
import type { Invitation } from "../api/types";
import { loadWho } from "../state/who";
import { Field, Form, Problem, SmallPage } from "./parts";

export function Join() {
  const { token = "" } = useParams();
  const navigate = useNavigate();
  const [invited, setInvited] = useState<Invitation | null>(null);
  const [refused, setRefused] = useState("");
  const [name, setName] = useState("");
  const [password, setPassword] = useState("");
  const [again, setAgain] = useState("");
  useEffect(() => {
    document.title = "Join · Kentrograph";
    invitation(token).then(
      (found) => {
        setInvited(found);
        setName(found.name);
      },
      (error: unknown) => setRefused(error instanceof Refusal ? error.message : String(error)),
    );
  }, [token]);
  if (refused !== "") {
    return (
      <SmallPage title="This link leads nowhere">
        <Problem said={refused} />
      </SmallPage>
    );
  }
  if (!invited) return null;
  const differ = again !== "" && again !== password;
  return (
    <SmallPage title={invited.again ? `A password for ${invited.name}` : "Join the office"}>
      <Form
        word={invited.again ? "Set it and sign in" : "Join"}
        ready={name.trim() !== "" && password !== "" && again === password}
        send={async () => {
          await join(token, name, password);
          await loadWho();
          await navigate("/", { replace: true });
        }}
      >
        {!invited.again && (
          <Field label="Your name, as others see it" value={name} set={setName} complete="username" focus />
        )}
        <Field
          label="Password, 12 characters or more"
          value={password}
          set={setPassword}
          type="password"
          complete="new-password"
          focus={invited.again}
        />
        <Field label="The same once more" value={again} set={setAgain} type="password" complete="new-password" />
        {differ && <Text color="place">The two are not the same yet.</Text>}
      </Form>
    </SmallPage>
  );
}
