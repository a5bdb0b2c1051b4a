import { queryOptions, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, data, deed, type Schemas } from "../../api/client";

export type MarkingView = Schemas["MarkingView"];
export type Line = Schemas["Line"];
export type MarkLine = Schemas["MarkLine"];
export type Award = Schemas["Decision"]["given"];

export const markQueries = {
  view: (id: string) =>
    queryOptions({
      queryKey: ["assessment", id, "marking"] as const,
      queryFn: ({ signal }) =>
        data(api.GET("/api/assessments/{id}/marking", { signal, params: { path: { id } } })),
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
    void client.invalidateQueries({ queryKey: ["assessment", id, "header"] });
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
      mutationFn: (w: { given: "PASS" | "REFERRAL" | "STOPPED"; reason: string }) =>
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
    handBack: useMutation({
      mutationFn: (reason: string) =>
        deed(["hand-back", id, reason], (eventId) =>
          data(api.POST("/api/assessments/{id}/hand-back", { params, body: { eventId, reason } })),
        ),
      onSuccess: () => client.invalidateQueries({ queryKey: ["assessment", id] }),
    }),
  };
}
