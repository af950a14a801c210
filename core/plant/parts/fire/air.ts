import { signalIndex as S } from '../../../system/index.ts'
import { lag, type Part } from '../../plant.ts'

/** difference a healthy fan makes across the switch at full speed, mbar, where the switch makes, and how much lower it breaks; of systems that do not say. From memory */
const difference = 1.2
const makes = 0.6
const breaksBelow = 0.1
const fanSeconds = 1.2

/** How much faster than its rated speed a sound modulating fan could turn: the board drives it harder until it has the speed it asks for. From memory */
const drive = 1.06

/** supply volts at which its motor no longer turns, and above which it has its whole drive. From memory */
const stalls = 60
const whole = 200

/** A modulating fan: supply always there, speed by command as long as it has the drive, reported by its tacho. */
export const modulatingFan: Part = ({ s, dt, board, value, optional }) => {
  const reach = drive * value('fan.maximumSpeed') * value('fan.torque')
  const tacho = value('fan.tacho')
  const purge = value('fan.purgeSpeed')
  const commanded = optional('board.fanCommandDrive', 1)
  const share = lag(dt, fanSeconds)
  return () => {
    const driven = Math.min(Math.max((s[S.fanVolts]! - stalls) / (whole - stalls), 0), 1)
    const command = board.outputs.fan === 'off' ? 0 : board.outputs.fan === 'purge' ? purge : s[S.fanCommand]!
    if (board.outputs.fan !== 'run') s[S.fanCommand] = command
    s[S.fanSpeed]! += (Math.min(command * commanded, reach * driven) - s[S.fanSpeed]!) * share
    s[S.tacho] = s[S.fanSpeed]! * tacho
  }
}

/** A plain mains fan, proved by a pressure switch through its tubes. */
export const switchedFan: Part = ({ s, dt, value, optional }) => {
  const torque = value('fan.torque')
  const rated = value('fan.maximumSpeed')
  const openness = value('flue.openness')
  const tubes = value('airTubes.passage') * optional('fan.takeOff', 1)
  const full = optional('fan.pressure', difference)
  const makesAt = optional('airSwitch.makesAt', makes)
  const conducts = optional('airSwitch.conducts', 1) > 0.5
  const bridged = optional('airSwitch.bridged', 0) > 0.5
  const stuck = value('airSwitch.stuck')
  const share = lag(dt, fanSeconds)
  s[S.airSwitchRest] = 1
  return () => {
    s[S.fanSpeed]! += ((s[S.fanVolts]! > 180 ? rated * torque : 0) - s[S.fanSpeed]!) * share
    const turn = s[S.fanSpeed]! / rated
    const felt = full * turn * turn * openness * openness * tubes
    s[S.airPressure] = felt
    const over = stuck > 0.5 || (stuck > -0.5 && felt > (s[S.airSwitchRest]! > 0.5 ? makesAt : makesAt - breaksBelow))
    s[S.airSwitch] = (over && conducts) || bridged ? 1 : 0
    s[S.airSwitchRest] = over ? 0 : 1
  }
}
