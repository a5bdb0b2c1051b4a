import { queryOptions } from "@tanstack/react-query";
import { api, data, type Schemas } from "../../api/client";

export type Sentence = Schemas["Sentence"];
export type Kind = Sentence["kind"];

/** As they are read. The words on the candidate's page are the server's. */
export const KINDS: { kind: Kind; title: string }[] = [
  { kind: "RIGHT", title: "What was right" },
  { kind: "CHANGE", title: "What to do otherwise" },
  { kind: "PRACTISE", title: "What to practise" },
];

export const feedbackQueries = {
  view: (id: string) =>
    queryOptions({
      queryKey: ["assessment", id, "feedback"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/assessments/{id}/feedback", { signal, params: { path: { id } } })),
    }),
  mine: (id: string) =>
    queryOptions({
      queryKey: ["my-feedback", id] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/my/sheets/{id}/feedback", { signal, params: { path: { id } } })),
    }),
};
