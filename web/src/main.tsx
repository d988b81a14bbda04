import "./session/begin";

import "@fontsource-variable/ibm-plex-sans/index.css";
import "@fontsource/ibm-plex-mono/400.css";

import { ChakraProvider } from "@chakra-ui/react";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter, Navigate, Route, Routes } from "react-router";

import { Entrance } from "./people/Entrance";
import { Join } from "./people/Join";
import { Look } from "./people/Look";
import { PeoplePage } from "./people/PeoplePage";
import { Shelf } from "./shelf/Shelf";
import { Table } from "./table/Table";
import { system } from "./theme";

const root = document.getElementById("root");
if (!root) throw new Error("the page has no root");
createRoot(root).render(
  <StrictMode>
    <ChakraProvider value={system}>
      <BrowserRouter>
        <Entrance>
          <Routes>
            <Route path="/" element={<Shelf />} />
            <Route path="/drawings/:id" element={<Table />} />
            <Route path="/join/:token" element={<Join />} />
            <Route path="/look/:token" element={<Look />} />
            <Route path="/people" element={<PeoplePage />} />
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </Entrance>
      </BrowserRouter>
    </ChakraProvider>
  </StrictMode>,
);
