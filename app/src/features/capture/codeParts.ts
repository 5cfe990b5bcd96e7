/** What reads codes, served beside the application and fetched only by who reads some. */
export const LIBRARY = '/codes/reader.js';
export const BINARY = '/codes/zxing_reader.wasm';
