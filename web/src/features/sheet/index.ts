export { SheetListPage } from "./SheetListPage";
export { SheetPage } from "./SheetPage";
export { chosenFault, FaultFields, type FaultWords, NO_FAULT } from "./FaultFields";
