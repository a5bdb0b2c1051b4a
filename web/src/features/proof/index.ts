export { CheckList } from "./CheckList";
export { HypothesesPane } from "./HypothesesPane";
