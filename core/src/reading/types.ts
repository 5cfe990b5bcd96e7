import type { PictureQuality, Quad } from '../capture';

/** One recognised character of a line. */
export interface ReadCharacter {
  text: string;
  /** Probability 0–1 that the engine gives this character. */
  probability: number;
  /** The engine's next best characters, best first, with their probabilities. */
  alternatives: readonly { text: string; probability: number }[];
  /** Where the character's centre lies along the line, 0 (start) to 1 (end). */
  at: number;
}

/** One line of text as the engine saw it. */
export interface ReadLine {
  text: string;
  /** Outline in pixels of the rectified card. */
  quad: Quad;
  /** One entry for each character of `text`, in order. */
  characters: readonly ReadCharacter[];
  /** Mean character probability, 0–1. */
  confidence: number;
  /** What an icon printed right before the line stands for. */
  icon?: LineIcon;
  /** For which request of a person it was read, when it was read by itself. */
  areaId?: string;
}

export type LineIcon = 'mobile' | 'fax';

/** A two-dimensional code on a card. */
export interface ReadCode {
  text: string;
  /** Outline in pixels of the rectified card. */
  quad: Quad;
}

/** What was seen on the same side in another way, to hold the first reading against: lines found and cut otherwise. */
export interface SecondReading {
  lines: readonly ReadLine[];
  /** Each line that was found as another head reads it, which knows no accents. */
  baseLetters: readonly string[];
}

/** What the engine saw on one side of a card. */
export interface Reading {
  /** Size of the rectified card picture in pixels. */
  width: number;
  height: number;
  lines: readonly ReadLine[];
  codes?: readonly ReadCode[];
  /** How good the picture is; unknown for text without a picture. */
  quality?: PictureQuality;
  /** Once it was read a second time. */
  again?: SecondReading;
}
