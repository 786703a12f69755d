/** Names in a row; where they are many, the first and how many more. */
export const few = (names: readonly string[], most = 3): string =>
  names.length <= most + 1 ? names.join(', ') : `${names.slice(0, most).join(', ')} and ${names.length - most} more`;
