import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import { type InitialEntry, MemoryRouter } from "react-router";
import { vi } from "vitest";
import type { Schemas } from "../api/client";

export type Problems = { status: number; problems: Schemas["Problem"][] };

interface Sent {
  method: string;
  path: string;
  body: unknown;
}

/** Stands in for the server: answers by "METHOD /path" or "/path", and keeps what it was sent. */
export class StandIn {
  readonly sent: Sent[] = [];
  readonly answers: Record<string, unknown> = {};

  constructor() {
    vi.stubGlobal(
      "fetch",
      vi.fn(async (request: Request) => this.answer(request)),
    );
  }

  refuse(what: string, status: number, mend: string, code = "refused") {
    const refusal: Problems = { status, problems: [{ code, where: "", given: "", mend }] };
    this.answers[what] = refusal;
  }

  private async answer(request: Request): Promise<Response> {
    const path = new URL(request.url).pathname;
    if (request.method !== "GET") {
      const text = await request.text();
      this.sent.push({ method: request.method, path, body: text ? JSON.parse(text) : undefined });
    }
    const answer = this.answers[`${request.method} ${path}`] ?? this.answers[path];
    const status = answer === undefined ? 404 : isProblems(answer) ? answer.status : 200;
    return new Response(JSON.stringify(answer ?? { problems: [] }), {
      status,
      headers: { "content-type": "application/json" },
    });
  }
}

function isProblems(answer: unknown): answer is Problems {
  return typeof answer === "object" && answer !== null && "problems" in answer && "status" in answer;
}

/** Renders as inside the application: router and queries, without repeating what failed. */
export function shown(children: ReactNode, at: InitialEntry = "/") {
  return shownWithClient(children, at).view;
}

/** The same, with the queries in hand: what another screen or the server's news would make stale. */
export function shownWithClient(children: ReactNode, at: InitialEntry = "/") {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  const view = render(children, {
    wrapper: ({ children: inside }) => (
      <QueryClientProvider client={client}>
        <MemoryRouter initialEntries={[at]}>{inside}</MemoryRouter>
      </QueryClientProvider>
    ),
  });
  return { client, view };
}
