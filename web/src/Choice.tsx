/** A choice of several, as the browser has it, in our look. */
import { chakra } from "@chakra-ui/react";

export const Choice = chakra("select", {
  base: {
    bg: "panel",
    color: "ink",
    borderWidth: "1px",
    borderColor: "rule",
    borderRadius: "4px",
    px: "1",
    h: "27px",
    fontSize: "12px",
  },
});
