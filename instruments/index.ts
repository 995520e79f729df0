export { clear, display, load, makeBalance, noise, tare, type Balance, type Display } from './balance'
export { lineSplitter, readLine, sayLine, textOf, type Said } from './line'
export { makeProbe, probeSays, putInto, surroundings, type Probe } from './probe'
