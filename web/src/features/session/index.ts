export { isLeaving, leave, onSessionChange, sessionQueries } from "./queries";
export { LeavingPage } from "./LeavingPage";
export { SignInPage } from "./SignInPage";
export { SetUpPage } from "./SetUpPage";
export { InvitationPage } from "./InvitationPage";
export { PairPage } from "./PairPage";
export { AccountPage } from "./AccountPage";
export { placesOf, roleWords } from "./roles";
