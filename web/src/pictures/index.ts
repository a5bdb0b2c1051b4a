export { ProfilePicture, type Dot } from "./ProfilePicture";
export { ReadingRail } from "./ReadingRail";
export type { Side } from "./shapes";
export { BoardPicture } from "./BoardPicture";
export { CircuitTrack } from "./CircuitTrack";
export { drawnMetres, layTracks } from "./trackLayout";
