export { sessionQueries, useSignOut } from "./queries";
export { SignInPage } from "./SignInPage";
export { SetUpPage } from "./SetUpPage";
