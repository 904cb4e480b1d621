/** Types of what tests ask of the machine. */
export function postgresBin(): string | null;
export function chromiumPath(): string | null;
