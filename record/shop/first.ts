/** The shop that every database begins with; what does not say which shop it means, means this one. */
export const FIRST_SHOP = '00000000-0000-7000-8000-000000000001';
