/** A colour in three numbers of whatever space: X Y Z, L* a* b*, linear red green blue. */
export type Triple = readonly [number, number, number];
