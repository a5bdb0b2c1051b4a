export { PracticePage } from "./PracticePage";
export { PracticeBench } from "./PracticeBench";
export { ProgressPage } from "./Progress";
export { GoThroughIt, TrySet } from "./TryInPractice";
