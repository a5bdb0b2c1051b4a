export { MarkStage } from "./MarkStage";
