declare module 'heic-decode' {
  interface DecodedImage {
    width: number;
    height: number;
    data: Uint8ClampedArray;
  }
  interface PendingImage {
    width: number;
    height: number;
    decode(): Promise<DecodedImage>;
  }
  const heicDecode: {
    all(options: { buffer: Uint8Array }): Promise<PendingImage[] & { dispose(): void }>;
  };
  export default heicDecode;
}
