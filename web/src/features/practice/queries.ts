import { queryOptions } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../api/client";

export type Opened = Schemas["PracticeOpened"];
export type State = Schemas["PracticeState"];
export type Deed = Schemas["DeedInput"];
export type PlaceShown = Schemas["PlaceShown"];
export type ControlShown = Schemas["ControlShown"];

export const practiceQueries = {
  offer: queryOptions({
    queryKey: ["practice"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/practice", { signal })),
  }),
  one: (id: string) =>
    queryOptions({
      queryKey: ["practice", id] as const,
      queryFn: ({ signal }) => data(api.GET("/api/practice/{id}", { signal, params: { path: { id } } })),
      staleTime: Infinity,
    }),
  drills: queryOptions({
    queryKey: ["drills"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/drills", { signal })),
  }),
  progress: queryOptions({
    queryKey: ["practice", "progress"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/practice/progress", { signal })),
  }),
  shownToMe: queryOptions({
    queryKey: ["practice", "progress", "of"] as const,
    queryFn: ({ signal }) => data(api.GET("/api/practice/progress/of", { signal })),
  }),
  progressOf: (person: string) =>
    queryOptions({
      queryKey: ["practice", "progress", "of", person] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/practice/progress/of/{person}", { signal, params: { path: { person } } })),
    }),
  profile: (id: string, box: string, written: number) =>
    queryOptions({
      queryKey: ["practice", id, "profile", box, written] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/practice/{id}/profile", { signal, params: { path: { id } } })),
      staleTime: Infinity,
    }),
  path: (id: string, deedCount: number) =>
    queryOptions({
      queryKey: ["practice", id, "path", deedCount] as const,
      queryFn: ({ signal }) => data(api.GET("/api/practice/{id}/path", { signal, params: { path: { id } } })),
      staleTime: Infinity,
    }),
};
