// Parts of the router that are never drawn: stacks with headers, tabs, menus, its own pages for what is not found or empty, and the
// page's head, who is told of each step, and margins for its own pages.
const none = () => null;
const through = ({ children }) => children;

export const createNativeStackNavigator = () => ({ Navigator: none });
export const isNativeTabTrigger = () => false;
export const convertTabPropsToOptions = none;
export const Head = { Provider: through };
export const RootUnmatched = none;
export const Unmatched = none;
export const EmptyRoute = none;
export const ToastWrapper = through;
export const Toast = none;
export const createStaticNavigation = none;
export const createPathConfigForStaticNavigation = none;
export const createComponentForStaticNavigation = none;
export const Sitemap = none;
export const getNavOptions = () => ({});
export const NavigationContainer = none;
export const TabRouter = none;
export const TabActions = {};
export const DrawerRouter = none;
export const DrawerActions = {};
export const LinkWithPreview = none;
export const LinkPreview = none;
export const LinkMenu = none;
export const useLoaderData = none;
export const unstable_navigationEvents = { isEnabled: () => false, emit: none };
export const emit = none;
export const handleNavigationOnReady = none;
export const generateStringUrlForState = none;
export const getPathAndParamsFromStringUrl = () => ({});
export const SafeAreaView = through;
