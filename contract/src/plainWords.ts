import { z } from 'zod';

type Issue = Parameters<NonNullable<z.core.$ZodConfig['customError']>>[0];

/**
 * What is said where a schema has no words of its own: whoever sits at the screen reads it, and knows nothing of types. Schemas with
 * something better to say say it themselves.
 */
function plainWords(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined || issue.input === null ? 'This is missing.' : 'This is not what belongs here.';
    case 'too_big':
      return issue.origin === 'string'
        ? `Use at most ${issue.maximum} characters.`
        : issue.origin === 'array'
          ? `At most ${issue.maximum} are possible.`
          : `The largest possible is ${issue.maximum}.`;
    case 'too_small':
      return issue.origin === 'string'
        ? 'Write something here.'
        : issue.origin === 'array'
          ? `Choose at least ${issue.minimum}.`
          : `The smallest possible is ${issue.minimum}.`;
    case 'invalid_format':
      return issue.format === 'uuid'
        ? 'This link is not whole. Open it again from the list.'
        : issue.format === 'email'
          ? 'Write the e-mail address in full.'
          : 'This is not written as it should be.';
    case 'invalid_value':
      return 'This is none of the possible choices.';
    case 'unrecognized_keys':
      return 'Something is there that does not belong here.';
    default:
      return 'Check this once more.';
  }
}

z.config({ customError: plainWords });
