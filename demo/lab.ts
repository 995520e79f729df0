/** The station and its people are invented. */
export const demoLab = {
  id: '5b0f6a3e-6a0f-4c58-9f39-1d1a6c1f7a01',
  name: 'Lowmere culture station',
  people: [
    { id: '0c7d2f7e-0d0b-4d0f-8a51-9b6f3a4c1e02', name: 'Tove Marl', role: 'administrator' },
    { id: '7e2a9d14-3b8c-4f6a-b1d7-2c5e8f9a6b03', name: 'Wren Adder', role: 'chemist' },
  ],
} as const
