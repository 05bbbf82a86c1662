export * from './changes.ts';
export * from './document.ts';
export * from './findings.ts';
export * from './http.ts';
export * from './migrations.ts';
export * from './notices.ts';
export * from './patch.ts';
export * from './roles.ts';
