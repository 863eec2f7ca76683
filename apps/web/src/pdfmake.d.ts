/** The little of pdfmake's browser build that is used here; the package ships no types. */
declare module 'pdfmake/build/pdfmake' {
  interface Pdf {
    getBlob(): Promise<Blob>;
  }
  const pdfMake: {
    addVirtualFileSystem(files: Record<string, string>): void;
    createPdf(document: object): Pdf;
  };
  export default pdfMake;
}
declare module 'pdfmake/build/vfs_fonts' {
  const files: Record<string, string>;
  export default files;
}
