/** The field in which somebody says in which role he signs. */
export const SIGNS_IN = { name: 'role', label: 'In the role of', missing: 'Say in which role you sign.' } as const;
