// Screens of a phone's own: on the web there are none, and the router only asks for their switches.
export const featureFlags = { experiment: {} };
