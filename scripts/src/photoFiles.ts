import { readdirSync, statSync } from 'node:fs';
import { basename, extname, join } from 'node:path';

const READABLE = new Set(['.jpg', '.jpeg', '.png', '.webp', '.heic', '.heif', '.txt']);

/** Picture and text files among the given files and, by name, inside the given folders. @throws Error for a path that is not there */
export const photoFiles = (paths: readonly string[]): string[] =>
  paths.flatMap((path) =>
    statSync(path).isDirectory()
      ? readdirSync(path)
          .filter((name) => READABLE.has(extname(name).toLowerCase()))
          .sort()
          .map((name) => join(path, name))
      : [path],
  );

/** The photograph's id in predictions: its file name without the ending. */
export const photoId = (path: string): string => basename(path, extname(path));
