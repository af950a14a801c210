import { signalIndex as S } from '../../../system/index.ts'
import { lag, type Part } from '../../plant.ts'

/** difference a healthy fan makes across the switch at full speed, mbar, and where the switch makes and breaks. From memory */
const difference = 1.2
const makes = 0.6
const breaks = 0.5
const fanSeconds = 1.2

/** A modulating fan: supply always there, speed by command, reported by its tacho. */
export const modulatingFan: Part = ({ s, dt, board, value }) => {
  const torque = value('fan.torque')
  const tacho = value('fan.tacho')
  const purge = value('fan.purgeSpeed')
  const share = lag(dt, fanSeconds)
  return () => {
    const supplied = s[S.fanVolts]! > 100
    const command = board.outputs.fan === 'off' ? 0 : board.outputs.fan === 'purge' ? purge : s[S.fanCommand]!
    if (board.outputs.fan !== 'run') s[S.fanCommand] = command
    s[S.fanSpeed]! += ((supplied ? command * torque : 0) - s[S.fanSpeed]!) * share
    s[S.tacho] = s[S.fanSpeed]! * tacho
  }
}

/** A plain mains fan, proved by a pressure switch through its tubes. */
export const switchedFan: Part = ({ s, dt, value }) => {
  const torque = value('fan.torque')
  const rated = value('fan.maximumSpeed')
  const openness = value('flue.openness')
  const tubes = value('airTubes.passage')
  const stuck = value('airSwitch.stuck')
  const share = lag(dt, fanSeconds)
  return () => {
    s[S.fanSpeed]! += ((s[S.fanVolts]! > 180 ? rated * torque : 0) - s[S.fanSpeed]!) * share
    const turn = s[S.fanSpeed]! / rated
    const felt = difference * turn * turn * openness * openness * tubes
    s[S.airPressure] = felt
    const made = stuck > 0.5 || (stuck > -0.5 && felt > (s[S.airSwitch]! > 0.5 ? breaks : makes))
    s[S.airSwitch] = made ? 1 : 0
    s[S.airSwitchRest] = made ? 0 : 1
  }
}
