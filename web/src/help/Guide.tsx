/** A section of the guide. */
import { Box } from "@chakra-ui/react";
import Markdown from "react-markdown";
import remarkGfm from "remark-gfm";

export default function Guide({ text }: { text: string }) {
  return (
    <Box
      mt="1"
      css={{
        "& p, & ul, & ol, & table": { marginBottom: "8px" },
        "& ul, & ol": { paddingLeft: "18px", listStyle: "disc" },
        "& code": { fontFamily: "mono", fontSize: "12px" },
        "& pre": { overflowX: "auto", marginBottom: "8px" },
        "& td, & th": { textAlign: "left", verticalAlign: "top", padding: "2px 6px 2px 0", fontSize: "12px" },
        "& h3": { fontWeight: 600, marginTop: "8px" },
      }}
    >
      <Markdown remarkPlugins={[remarkGfm]}>{text}</Markdown>
    </Box>
  );
}
