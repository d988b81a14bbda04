/** What a step has to show: said by the core beside where it has come to what is shown, else by the server. */
import * as server from "../api/client";
import type { Figure, FigureValue, Way, Working } from "../api/types";
import { useDocument } from "../state/document";
import { core } from "./core";
import type { Look } from "./messages";

async function looked<T>(otherwise: () => Promise<T>, what: Look, ...asked: string[]): Promise<T> {
  const found = await core.look(useDocument.getState().revision, what, ...asked);
  if (found === null) return otherwise();
  const refused = (found as { refused?: string }).refused;
  if (refused !== undefined) throw new server.Refusal(refused);
  return found as T;
}

export const workingOf = (id: string, step: string): Promise<Working> =>
  looked(() => server.workingOf(id, step), "working", step);
export const beforeOf = (id: string, step: string): Promise<Figure[]> =>
  looked(() => server.beforeOf(id, step), "before", step);
export const valuesOf = (id: string, step: string): Promise<FigureValue[]> =>
  looked(() => server.valuesOf(id, step), "values", step);
export const waysToState = (id: string, step: string, word: string, typed: string): Promise<Way[]> =>
  looked(() => server.waysToState(id, step, word, typed), "ways", step, word, typed);
