export { RecordsPage } from "./RecordsPage";
