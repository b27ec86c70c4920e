/** Stands in a browser for Node's own modules, which are never asked for there. */
export {};
