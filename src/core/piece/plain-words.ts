/** What is wrong with a document where its schema has no words of its own for it: never a library's, never longer than can be read. */
import type { z } from 'zod';

const WHAT: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no',
  array: 'a list',
  object: 'an entry with fields',
  record: 'an entry with fields',
  tuple: 'a list of so many numbers',
  null: 'nothing',
};

/** A few names, the rest counted. */
const few = (list: readonly string[], most = 4): string =>
  list.slice(0, most).map(shortened).join(', ') + (list.length > most ? ` and ${list.length - most} more` : '');

const LONGEST = 60;
const shortened = (s: string): string => (s.length > LONGEST ? `${s.slice(0, LONGEST)}…` : s);

export function plainWords(issue: z.core.$ZodRawIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
        ? 'is missing'
        : `must be ${WHAT[issue.expected] ?? 'of another kind than it is'}`;
    case 'invalid_union':
      return issue.discriminator !== undefined
        ? `is of a kind this program does not know (${issue.discriminator})`
        : 'is of none of the kinds it may be';
    case 'invalid_value':
      return `must be ${few(issue.values.map(String), 12).replace(/, (?=[^,]*$)/, ' or ')}`;
    case 'unrecognized_keys':
      return `has fields this program does not know: ${few(issue.keys)}`;
    case 'too_big':
      return issue.origin === 'array'
        ? `must not have more than ${issue.maximum} entries`
        : issue.origin === 'string'
          ? `must not be longer than ${issue.maximum} letters`
          : `must be at most ${issue.maximum}`;
    case 'too_small':
      return issue.origin === 'array'
        ? `must have at least ${issue.minimum} entries`
        : issue.origin === 'string'
          ? `must be at least ${issue.minimum} letters long`
          : `must be at least ${issue.minimum}`;
    default:
      return 'cannot be used';
  }
}

/** Words that quote a damaged file stay short, and so does every name in them. */
export function readable(s: string, most = 300): string {
  const short = s.replace(/\S+/g, shortened);
  return short.length > most ? `${short.slice(0, most)}…` : short;
}
