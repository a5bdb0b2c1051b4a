export { GoLive } from "./GoLive";
export { MakeDead } from "./MakeDead";
