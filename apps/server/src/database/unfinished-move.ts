/** Property of a database into which an installation is being copied. */
export const unfinishedMove = 'unfinished-move';
