export { isLeaving, leave, onSessionChange, sessionQueries } from "./queries";
export { LeavingPage } from "./LeavingPage";
export { SignInPage } from "./SignInPage";
export { SetUpPage } from "./SetUpPage";
