/** Where this household is served: the demonstration has a place of its own, and keeps apart what it keeps on the device. */
export const place = /^\/demo(\/|$)/.test(window.location.pathname) ? '/demo' : '';

/** The name under which something is kept on this device. */
export const drawerOf = (name: string) => `velocrustum${place.replace('/', '.')}.${name}`;
