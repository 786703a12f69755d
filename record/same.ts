/** True only of two types that take each other in, both ways: holds a shape at the border and a type of the core equal when compiled. */
export type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : false) : false;
