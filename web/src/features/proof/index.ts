export { CheckList } from "./CheckList";
export { HypothesesPane } from "./HypothesesPane";
export { UnplugBox } from "./UnplugBox";
