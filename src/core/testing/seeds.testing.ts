/**
 * How many seeds a check against something drawn at random goes through: a twelfth each time, so that every check stays
 * within its minutes; all of them with ISTRUZIONE_SEEDS=all bin/test unit.
 */
export const seeds = (all: number): number => (process.env.ISTRUZIONE_SEEDS === 'all' ? all : Math.ceil(all / 12))
