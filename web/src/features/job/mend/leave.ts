/** Id of the choice to mend nothing: the unit goes back as it is. */
export const LEAVE = 'leave';
