/**
 * Where in a rig file a problem is, by the names people gave: "/circuits/0/points/2/atMetres" is "Dormitory sockets,
 * socket 3, at metres". What has no name keeps its field's.
 *
 * @param where a JSON pointer as the server gives it, with or without its first slash
 */
export function placeOf(file: unknown, where: string): string {
  const words: string[] = [];
  let at: unknown = file;
  let list = false;
  for (const part of where.split("/").filter((p) => p !== "")) {
    at = typeof at === "object" && at !== null ? (at as Record<string, unknown>)[part] : undefined;
    const name = nameOf(at);
    if (name) {
      // "circuits", "points": their items say more than the list
      if (list) words.pop();
      words.push(name);
    } else if (/^\d+$/.test(part)) {
      words.push(`${words.pop() ?? ""} ${Number(part) + 1}`.trim());
    } else {
      words.push(part.replace(/[A-Z0-9]+/g, (c) => ` ${c.toLowerCase()}`));
    }
    list = Array.isArray(at);
  }
  return words.join(", ");
}

function nameOf(value: unknown): string | undefined {
  if (typeof value !== "object" || value === null) return undefined;
  const { label, name, id } = value as { label?: unknown; name?: unknown; id?: unknown };
  return [label, name, id].find((n): n is string => typeof n === "string" && n !== "");
}
