export { FloorPage } from "./FloorPage";
export { floorQueries } from "./queries";
