import type { Remedy } from '@dewpoint/core/diagnosis'

type With = NonNullable<Remedy['alongside']>[number]

const treat: With = {
  remedy: 'water.treat',
  because: 'The dirt that blocked it is still in the water.',
  comesBack: 0.25,
}
const filter: With = {
  remedy: 'blockFilter.renew',
  because: 'It hides the pump’s rise from the sensor behind it and feeds it dirt: doing one brings the code back.',
  comesBack: 0.3,
}
const rinse: With = {
  remedy: 'hoses.rinse',
  because: 'Hoses that crunch hold the dirt that will clog it again.',
  comesBack: 0.1,
}
const prove: With = {
  remedy: 'cable.prove',
  because: 'What blew it is still there until it is proved away.',
  comesBack: 0.3,
}

/**
 * What belongs to the same job, by remedy: left out, it brings the fault back so often within a year. Common practice; chances assumed.
 */
export const alongside: Record<string, With[]> = {
  'pressureSensor.replace': [filter, rinse],
  'waterSwitch.replace': [treat],
  'blockFilter.renew': [rinse, treat],
  'hoses.renew': [filter],
  'hoses.rigid': [filter],
  'plate.clean': [treat],
  'plate.replace': [treat],
  'exchanger.flush': [treat],
  'exchanger.replace': [treat],
  'systemFilter.clean': [treat],
  'pump.free': [treat],
  'board.fuse': [prove],
  'supply.fuse': [prove],
  'supply.restore': [prove],
  'transformer.fuse': [prove],
  'diverterMotor.dry': [prove],
}
