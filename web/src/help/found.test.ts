import { describe, expect, it } from "vitest";

import type { Help, HelpKind } from "../api/types";
import { found } from "./found";

const kind = (word: string, explanation: string, ...examples: string[]): HelpKind => ({
  word,
  title: word,
  group: "place",
  explanation,
  first: "",
  givens: [{ word: "centre", explanation: `the centre of the ${word}` }],
  examples: examples.map((text) => ({ text, note: "", picture: "" })),
});
const HELP: Help = {
  kinds: [
    kind("point", "a place", "point 4, 5"),
    kind("circle", "round", "circle touching C1 L1", "circle across P1 P2"),
  ],
  sections: [{ title: "Mending", text: "Open the step again." }],
};

describe("the help", () => {
  it("has everything while nothing is searched for", () => {
    expect(found(HELP, " ", null)).toMatchObject({ kinds: [{ word: "point" }, { word: "circle" }], sections: [{}] });
  });

  it("begins with what is being written", () => {
    expect(found(HELP, "", "circle").kinds.map((k) => k.word)).toEqual(["circle", "point"]);
    expect(found(HELP, "", "measure distance").kinds).toHaveLength(2);
  });

  it("keeps of a kind only what has all the words, and the whole of one that is named", () => {
    expect(found(HELP, "touching l1", null)).toMatchObject({
      kinds: [{ word: "circle", examples: [{ text: "circle touching C1 L1" }], givens: [] }],
      sections: [],
    });
    expect(found(HELP, "Circle", null).kinds[0]?.examples).toHaveLength(2);
    expect(found(HELP, "again", null)).toMatchObject({ kinds: [], sections: [{ title: "Mending" }] });
  });
});
