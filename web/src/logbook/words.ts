export const crustWords: Record<string, string> = {
  pale: 'pale',
  soft: 'too soft',
  good: 'as I like it',
  hard: 'too hard',
  burnt: 'burnt',
};
export const insideWords: Record<string, string> = { raw: 'not done', juicy: 'juicy', good: 'good', dry: 'dry' };
