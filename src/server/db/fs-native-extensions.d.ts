declare module 'fs-native-extensions' {
  /** Takes the operating system's lock on an open file, exclusive or shared; false: somebody else has it. */
  export function tryLock(handle: number, options?: { shared: boolean }): boolean;
}
