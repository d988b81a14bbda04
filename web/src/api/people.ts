/** HTTP calls of people: who calls, signing in, teams, sharing. */
import { answer, http } from "./client";
import type { Invitation, Me, Person, ShareAsked, Sharing, Team, Who } from "./types";

export const who = (): Promise<Who> => answer(http.GET("/api/who"));
export const signIn = (name: string, password: string): Promise<Me> =>
  answer(http.POST("/api/sign-in", { body: { name, password } }));
export const signOut = (everywhere: boolean): Promise<unknown> =>
  answer(http.POST("/api/sign-out", { body: { everywhere } }));
export const changePassword = (now: string, changed: string): Promise<unknown> =>
  answer(http.POST("/api/password", { body: { now, new: changed } }));

export const people = (): Promise<Person[]> => answer(http.GET("/api/people"));
export const changePerson = (
  person: string,
  body: { name?: string; keeper?: boolean; left?: boolean },
): Promise<Person> => answer(http.PATCH("/api/people/{person}", { params: { path: { person } }, body }));

export const teams = (): Promise<Team[]> => answer(http.GET("/api/teams"));
export const makeTeam = (name: string): Promise<Team> => answer(http.POST("/api/teams", { body: { name } }));
export const changeTeam = (team: string, body: { name?: string; members?: string[] }): Promise<Team> =>
  answer(http.PATCH("/api/teams/{team}", { params: { path: { team } }, body }));
export const deleteTeam = (team: string): Promise<unknown> =>
  answer(http.DELETE("/api/teams/{team}", { params: { path: { team } } }));

export const invitations = (): Promise<Invitation[]> => answer(http.GET("/api/invitations"));
/** The whole address of a link by which somebody joins, or sets a password anew. */
export const invite = (name: string, person?: string): Promise<string> =>
  answer(http.POST("/api/invitations", { body: { name, keeper: false, person: person ?? null } })).then(
    ({ path }) => location.origin + path,
  );
export const takeInvitationBack = (made_at: string): Promise<unknown> =>
  answer(http.DELETE("/api/invitations", { params: { query: { made_at } } }));
export const invitation = (token: string): Promise<Invitation> =>
  answer(http.GET("/api/invitations/{token}", { params: { path: { token } } }));
export const join = (token: string, name: string, password: string): Promise<Me> =>
  answer(http.POST("/api/invitations/{token}", { params: { path: { token } }, body: { name, password } }));
/** Follows a link by which a drawing may be looked at. */
export const followLink = (token: string): Promise<{ id: string }> =>
  answer(http.POST("/api/looking/{token}", { params: { path: { token } } }));

const at = (id: string) => ({ params: { path: { id } } });
export const sharingOf = (id: string): Promise<Sharing> => answer(http.GET("/api/drawings/{id}/sharing", at(id)));
export const share = (id: string, body: ShareAsked): Promise<Sharing> =>
  answer(http.PUT("/api/drawings/{id}/sharing", { ...at(id), body }));
export const makeLink = (id: string): Promise<unknown> => answer(http.POST("/api/drawings/{id}/links", at(id)));
export const takeLinkBack = (id: string, token: string): Promise<unknown> =>
  answer(http.DELETE("/api/drawings/{id}/links/{token}", { params: { path: { id, token } } }));
