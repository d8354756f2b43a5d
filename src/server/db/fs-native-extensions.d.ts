declare module 'fs-native-extensions' {
  /** Takes the operating system's exclusive lock on an open file; false: somebody else has it. */
  export function tryLock(handle: number): boolean;
}
