import { z } from 'zod';

/** A word that people are gathered by. */
export const Tag = z.string().trim().min(1, 'Write a word for the tag.').max(40, 'A tag has at most 40 characters.');
export const Tags = z.array(Tag).max(30);
