/** Drawing paper, pencil and ink. */
import { createSystem, defaultConfig, defineConfig } from "@chakra-ui/react";

import { LOOK } from "./surface/look";

const config = defineConfig({
  globalCss: {
    "html, body, #root": { height: "100%", margin: 0 },
    body: { bg: "paper", color: "ink", fontFamily: "body", fontSize: "13px", lineHeight: "1.35" },
    "*:focus-visible": { outline: "2px solid", outlineColor: "snap", outlineOffset: "1px" },
    "input[type=checkbox], input[type=range]": { accentColor: LOOK.ink },
  },
  theme: {
    tokens: {
      colors: {
        paper: { value: LOOK.paper },
        panel: { value: "#FCFAF5" },
        rule: { value: "#E2DCCD" },
        ink: { value: LOOK.ink },
        quiet: { value: "#5F6068" },
        place: { value: LOOK.place },
        working: { value: LOOK.working },
        snap: { value: LOOK.snap },
        selected: { value: LOOK.selected },
        lit: { value: "#FBF0DA" },
        label: { value: "#7A6A3C" },
      },
      fonts: {
        body: { value: '"IBM Plex Sans Variable", sans-serif' },
        heading: { value: '"IBM Plex Sans Variable", sans-serif' },
        mono: { value: '"IBM Plex Mono", monospace' },
      },
    },
    semanticTokens: {
      // What is typed wrong has our own red around it.
      colors: { border: { error: { value: "{colors.place}" } } },
    },
  },
});

export const system = createSystem(defaultConfig, config);
