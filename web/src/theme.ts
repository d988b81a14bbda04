/** Drawing paper, pencil and ink. */
import { createSystem, defaultConfig, defineConfig } from "@chakra-ui/react";

import { LOOKS } from "./surface/look";

type Colour = keyof typeof LOOKS.paper;

/** A colour in both looks. */
const both = (name: Colour) => ({ value: { base: LOOKS.paper[name], _blueprint: LOOKS.blueprint[name] } });

const config = defineConfig({
  conditions: { blueprint: "[data-look=blueprint] &, [data-look=blueprint]" },
  globalCss: {
    "html, body, #root": { height: "100%", margin: 0 },
    body: { bg: "paper", color: "ink", fontFamily: "body", fontSize: "13px", lineHeight: "1.35" },
    "::selection": { bg: "chosen", color: "ink" },
    "::placeholder": { color: "quiet", opacity: 1 },
    "*:focus-visible": { outline: "2px solid", outlineColor: "snap", outlineOffset: "1px" },
    "input[type=checkbox], input[type=range]": { accentColor: "ink" },
  },
  theme: {
    tokens: {
      fonts: {
        body: { value: '"IBM Plex Sans Variable", sans-serif' },
        heading: { value: '"IBM Plex Sans Variable", sans-serif' },
        mono: { value: '"IBM Plex Mono", monospace' },
      },
    },
    semanticTokens: {
      colors: {
        paper: both("paper"),
        desk: both("desk"),
        panel: both("panel"),
        rule: both("rule"),
        ink: both("ink"),
        quiet: both("quiet"),
        place: both("place"),
        working: both("working"),
        snap: both("snap"),
        other: both("other"),
        selected: both("selected"),
        lit: both("lit"),
        label: both("label"),
        wrong: both("wrong"),
        pressed: both("pressed"),
        // Text that is chosen.
        chosen: both("axis"),
        // What is typed wrong has our own red around it.
        border: { DEFAULT: both("rule"), error: { value: "{colors.place}" } },
      },
    },
  },
});

export const system = createSystem(defaultConfig, config);
