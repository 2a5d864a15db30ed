/** Two invented shops in an invented harbour. Everyone's password is the same, since none of them exists. */
export const DEMO_PASSWORD = 'harbour-demo'

export const SHOPS = [
  {
    key: 'tidewall',
    name: 'Tidewall Repairs',
    van: 'solders',
    people: [
      { name: 'Oda Fenwright', email: 'oda@tidewall.example', role: 'owner' },
      { name: 'Bram Sallow', email: 'bram@tidewall.example', role: 'technician' },
      { name: 'Ines Corrow', email: 'ines@tidewall.example', role: 'technician' },
      { name: 'Pip Marlow-Day', email: 'pip@tidewall.example', role: 'apprentice' },
    ],
  },
  {
    key: 'coldharbour',
    name: 'Fennel Street Plumbing',
    van: 'presses',
    people: [
      { name: 'Jory Ashdown', email: 'jory@fennel.example', role: 'owner' },
      { name: 'Wren Tallis', email: 'wren@fennel.example', role: 'technician' },
    ],
  },
] as const
