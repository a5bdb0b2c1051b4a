export { PracticePage } from "./PracticePage";
export { PracticeBench } from "./PracticeBench";
