export { WatchStage } from "./WatchStage";
