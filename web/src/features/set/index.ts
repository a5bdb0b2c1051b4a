export { SetStage } from "./SetStage";
