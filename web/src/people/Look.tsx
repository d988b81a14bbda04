/** A link by which a drawing is looked at: it is followed, and the drawing opens. */
import { useEffect, useState } from "react";
import { useNavigate, useParams } from "react-router";

import { Refusal } from "../api/client";
import { followLink } from "../api/people";
import { loadWho } from "../state/who";
import { Problem, SmallPage } from "./parts";

export function Look() {
  const { token = "" } = useParams();
  const navigate = useNavigate();
  const [refused, setRefused] = useState("");
  useEffect(() => {
    followLink(token).then(
      async ({ id }) => {
        await loadWho();
        await navigate(`/drawings/${id}`, { replace: true });
      },
      (error: unknown) => setRefused(error instanceof Refusal ? error.message : String(error)),
    );
  }, [token, navigate]);
  return refused === "" ? null : (
    <SmallPage title="This link leads nowhere">
      <Problem said={refused} />
    </SmallPage>
  );
}
