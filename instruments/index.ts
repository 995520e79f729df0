export { clear, display, load, makeBalance, noise, tare, type Balance, type Display } from './balance'
