/** Awards as signs, and in words. */
export const SIGN: Record<string, string> = { FULL: "1", HALF: "½", NONE: "0", NOT_SEEN: "–", OPEN: "?" };
export const WORD: Record<string, string> = {
  FULL: "full",
  HALF: "half",
  NONE: "none",
  NOT_SEEN: "not seen",
  OPEN: "not marked yet",
};
