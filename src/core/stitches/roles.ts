/** What the needle does at an event, in the order of the plan's `command` column. */
export const COMMANDS = ['stitch', 'jump', 'trim', 'stop', 'end'] as const;
export type CommandName = (typeof COMMANDS)[number];
export const Command = { stitch: 0, jump: 1, trim: 2, stop: 3, end: 4 } as const satisfies Record<CommandName, number>;

/** What a stitch is for, in the order of the plan's `role` column. */
export const ROLES = ['tie', 'underlay', 'cover', 'travel'] as const;
export type RoleName = (typeof ROLES)[number];
export const Role = { tie: 0, underlay: 1, cover: 2, travel: 3 } as const satisfies Record<RoleName, number>;
