/** HTTP calls of a drawing's history. */
import { answer, http } from "./client";
import type { History, PastState } from "./types";

export const historyOf = (id: string, before?: string): Promise<History> =>
  answer(http.GET("/api/drawings/{id}/history", { params: { path: { id }, query: { before: before ?? null } } }));
/** A state as a picture; with `since`, what became of another one until then. */
export const stateOf = (id: string, revision: number, since: number | null): Promise<PastState> =>
  answer(http.GET("/api/drawings/{id}/history/{revision}", { params: { path: { id, revision }, query: { since } } }));
export const nameState = (id: string, revision: number, name: string): Promise<unknown> =>
  answer(
    http.PUT("/api/drawings/{id}/history/{revision}/name", { params: { path: { id, revision } }, body: { name } }),
  );
