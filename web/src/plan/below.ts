export { Begins } from './Begins';
export { Compare } from './Compare';
export { Convert } from './Convert';
export { Dishes } from './Dishes';
export { Ways } from './Ways';
