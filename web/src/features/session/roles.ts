import type { Schemas } from "../../api/client";

type Person = Schemas["Person"];
export type Role = Person["roles"][number];

export const ROLES: Record<Role, string> = {
  ADMINISTRATOR: "administrator",
  LEAD: "lead",
  ASSESSOR: "assessor",
  TECHNICIAN: "technician",
  CANDIDATE: "candidate",
};

/** Which places somebody sees. What may be called there, the server decides. */
export function placesOf(person: Person) {
  const has = (...roles: Role[]) => roles.some((r) => person.roles.includes(r));
  const assess = has("ASSESSOR", "LEAD");
  const rigs = assess || has("TECHNICIAN");
  const workshop = has("ADMINISTRATOR", "TECHNICIAN");
  const candidate = has("CANDIDATE");
  const home = candidate
    ? person.sheet
      ? `/my/sheets/${person.sheet}`
      : "/my/sheets"
    : assess
      ? "/floor"
      : rigs
        ? "/rigs"
        : "/workshop";
  return {
    assess,
    rigs,
    workshop,
    people: has("ADMINISTRATOR"),
    candidate,
    home,
    oneSheet: person.sheet !== null,
  };
}

export function roleWords(roles: readonly Role[]): string {
  return roles.map((r) => ROLES[r]).join(", ");
}
