export { ProfilePicture, type Dot } from "./ProfilePicture";
export { ReadingRail } from "./ReadingRail";
export { BondPicture } from "./BondPicture";
export type { Side } from "./shapes";
