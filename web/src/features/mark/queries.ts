import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data, deed, type Schemas } from "../../api/client";

export type MarkingView = Schemas["MarkingView"];
export type Line = Schemas["Line"];
export type MarkLine = Schemas["MarkLine"];
export type Award = Schemas["Decision"]["given"];
export type Verdict = Schemas["OutcomeDecision"]["given"];

export const markQueries = {
  view: (id: string) =>
    queryOptions({
      queryKey: ["assessment", id, "marking"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/assessments/{id}/marking", { signal, params: { path: { id } } })),
    }),
  resit: (id: string) =>
    queryOptions({
      queryKey: ["assessment", id, "resit"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/assessments/{id}/resit", { signal, params: { path: { id } } })),
    }),
};

interface Given {
  mark: string;
  given: Award;
  reason: string;
}

/** The assessor's decisions; each answers with the new view. */
export function useMarkWrites(id: string, basedOn: number) {
  const client = useQueryClient();
  const params = { path: { id } };
  const keep = (view: MarkingView) => {
    client.setQueryData(markQueries.view(id).queryKey, view);
    void client.invalidateQueries({ queryKey: ["floor"] });
    for (const what of ["header", "resit", "feedback", "record"])
      void client.invalidateQueries({ queryKey: ["assessment", id, what] });
  };
  const again = {
    onSuccess: keep,
    onError: () => void client.invalidateQueries({ queryKey: markQueries.view(id).queryKey }),
  };
  return {
    decide: useMutation({
      mutationFn: (given: Given[]) =>
        deed(["marks", id, basedOn, given], (eventId) =>
          data(
            api.POST("/api/assessments/{id}/marking/marks", {
              params,
              body: { decisions: given.map((g, i) => ({ eventId: `${eventId}-${i}`, basedOn, ...g })) },
            }),
          ),
        ),
      ...again,
    }),
    outcome: useMutation({
      mutationFn: (w: { given: Verdict; reason: string }) =>
        deed(["outcome", id, basedOn, w], (eventId) =>
          data(
            api.PUT("/api/assessments/{id}/marking/outcome", {
              params,
              body: { eventId, basedOn, ...w },
            }),
          ),
        ),
      ...again,
    }),
    ask: useMutation({
      mutationFn: (of: string) =>
        deed(["opinion", id, of], (eventId) =>
          data(api.POST("/api/assessments/{id}/opinions", { params, body: { eventId, of } })),
        ),
      ...again,
    }),
    withdraw: useMutation({
      mutationFn: (of: string) =>
        deed(["opinion-withdraw", id, of], (eventId) =>
          data(api.POST("/api/assessments/{id}/opinions/withdraw", { params, body: { eventId, of } })),
        ),
      ...again,
    }),
    sign: useMutation({
      mutationFn: () =>
        deed(["opinion-sign", id], (eventId) =>
          data(api.POST("/api/assessments/{id}/opinions/sign", { params, body: { eventId } })),
        ),
      ...again,
    }),
    settle: useMutation({
      mutationFn: (w: Given) =>
        deed(["settle", id, w], (eventId) =>
          data(api.PUT("/api/assessments/{id}/opinions/settled", { params, body: { eventId, ...w } })),
        ),
      ...again,
    }),
    handBack: useMutation({
      mutationFn: (reason: string) =>
        deed(["hand-back", id, reason], (eventId) =>
          data(api.POST("/api/assessments/{id}/hand-back", { params, body: { eventId, reason } })),
        ),
      onSuccess: () => client.invalidateQueries({ queryKey: ["assessment", id] }),
    }),
  };
}
