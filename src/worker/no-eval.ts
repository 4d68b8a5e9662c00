// The content security policy lets no text become code: the schemas are told before they try. First import of every
// worker.
(globalThis as { __zod_globalConfig?: { jitless?: boolean } }).__zod_globalConfig = { jitless: true };

export {};
