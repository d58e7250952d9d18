declare module 'class-transformer/cjs/storage.js' {
  const storage: { defaultMetadataStorage: unknown };
  export default storage;
}
