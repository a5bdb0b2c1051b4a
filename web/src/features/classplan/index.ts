export { ClassPlanPage } from "./ClassPlanPage";
