/** An instrument that did not give a value, in a technician's words: what happened and what to look at. */
export class LinkFailure extends Error {}
