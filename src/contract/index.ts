export * from './document.ts';
export * from './findings.ts';
export * from './http.ts';
