import createClient, { type Middleware } from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];

/** One thing that is wrong, as the server says it: where, what was found, how to mend it. */
export interface Problem {
  code: string;
  where: string;
  given: string;
  mend: string;
}

/** An answer that was refused, or none at all: then `status` is 0. */
export class ApiProblem extends Error {
  readonly status: number;
  readonly problems: Problem[];

  constructor(status: number, problems: Problem[]) {
    super(problems.map(sentence).join(" "));
    this.status = status;
    this.problems = problems;
  }

  get isLostConnection(): boolean {
    return this.status === 0;
  }
}

/** A problem as one sentence, the way the server words it. */
export function sentence(problem: Problem): string {
  const text = problem.given ? `Found ${problem.given}; ${problem.mend}` : problem.mend;
  const capital = text.charAt(0).toUpperCase() + text.slice(1);
  return /[.!?]$/.test(capital) ? capital : `${capital}.`;
}

const LOST: Problem = {
  code: "lost-connection",
  where: "",
  given: "",
  mend: "no connection to the server; it is tried again by itself",
};

/** The token that the server gave in a cookie goes back in a header. */
const csrf: Middleware = {
  onRequest({ request }) {
    const token = /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1];
    if (token && request.method !== "GET") request.headers.set("X-XSRF-TOKEN", decodeURIComponent(token));
    return request;
  },
};

export const api = createClient<paths>({
  baseUrl: window.location.origin,
  fetch: (request) => globalThis.fetch(request),
});
api.use(csrf);

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/**
 * The data of an answer.
 * @throws ApiProblem when it was refused or never came
 */
export async function data<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await call;
  } catch {
    throw new ApiProblem(0, [LOST]);
  }
  if (answer.response.ok) return answer.data as T;
  if (answer.response.status === 401) window.dispatchEvent(new Event("prantel-signed-out"));
  throw new ApiProblem(answer.response.status, problemsOf(answer));
}

function problemsOf(answer: Answer<unknown>): Problem[] {
  const body = answer.error as { problems?: Problem[] } | undefined;
  if (body?.problems?.length) return body.problems;
  const mend =
    answer.response.status === 401
      ? "you are signed out; sign in again, nothing you wrote is lost"
      : answer.response.status === 403
        ? "this is not yours to do; reload the page if you think it is"
        : "the server cannot answer now; try again in a moment";
  return [{ code: `http-${answer.response.status}`, where: "", given: "", mend }];
}

const NOT_KNOWN: Problem = {
  ...LOST,
  mend: "no connection to the server; whether this arrived is not known: do it again when it is back, it counts once",
};

const unanswered = new Map<string, string>();

/**
 * Sends what somebody did. As long as it is not known whether it arrived, doing the same again carries the same event id,
 * so that it counts once.
 * @param what tells this deed from others: what is done, and with what
 */
export async function deed<T>(what: unknown, send: (eventId: string) => Promise<T>): Promise<T> {
  const key = JSON.stringify(what);
  const eventId = unanswered.get(key) ?? newEventId();
  unanswered.set(key, eventId);
  try {
    const answer = await send(eventId);
    unanswered.delete(key);
    return answer;
  } catch (error) {
    const answered = error instanceof ApiProblem && error.status > 0 && error.status < 500;
    if (answered) unanswered.delete(key);
    throw error instanceof ApiProblem && error.isLostConnection ? new ApiProblem(0, [NOT_KNOWN]) : error;
  }
}

/** A new id for a write: a retry of the same write carries the same one. */
export function newEventId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, "0")).join("");
}
