export { asReplanned, replanEvent } from './actuals/as-replanned.ts';
export { type DayFacts, dayFacts } from './actuals/day-facts.ts';
export { isMending, mendingTask, topUpOf } from './actuals/day-tasks.ts';
export { countedHomeAt, type GearLog, gearAway, gearEvent, isLineOfPiece } from './actuals/gear-away.ts';
export {
  blownKey,
  type Happened,
  happenedOf,
  isDone,
  lookKey,
  productKey,
  type Said,
  type TaskRecord,
} from './actuals/happened.ts';
export { holdingEntries } from './actuals/holding.ts';
export { type LadderToCheck, laddersToCheck } from './actuals/ladder-check.ts';
export { type LeaveOut, leaveOuts } from './actuals/leave-out.ts';
export { faultsOpen, withMending } from './actuals/mending.ts';
export { type OutOfOrder, outOfOrder } from './actuals/out-of-order.ts';
export { photoMoment } from './actuals/photo-moment.ts';
export { pieceRows } from './actuals/piece-record.ts';
export { type DayNow, type Projection, projected } from './actuals/projected.ts';
export { actualRows } from './actuals/record.ts';
export { type GearChange, type HandsChange, type Replan, replanned } from './actuals/replan.ts';
export { deliveryOf, deliveryToGuest } from './actuals/sign-off.ts';
export { type Spell, workedMin } from './actuals/spells.ts';
export { type Turn, tasksOf, turnOf } from './actuals/turns.ts';
export { type WindStep, windAlarms } from './actuals/wind-alarm.ts';
export { beaufort, dynamicPressure, formatWind, GUST_FACTOR } from './air/wind.ts';
export {
  catalogueSizes,
  comesIn,
  defaultPacks,
  familyOf,
  isModelling,
  knownSizes,
  productLoss,
  sizeName,
  sizeOf,
} from './balloon/catalogue.ts';
export { labOf } from './balloon/colour-difference.ts';
export { defaultRates } from './bench/rates.ts';
export { calendarOf, calendarOfPerson, OWN_UIDS } from './calendar-file/ical.ts';
export { criticalChain } from './clock/chain.ts';
export { usualRest } from './clock/day-problem.ts';
export { type GearNames, isLadder, ladderLike, nameIn, namesFor } from './clock/gear-names.ts';
export { canFollow, whyNotFollow } from './clock/own-orders.ts';
export { usualSteps } from './clock/piece-steps.ts';
export { asWish } from './clock/repair.ts';
export { visitSteps } from './clock/visit-steps.ts';
export { choiceCost } from './day/choice-cost.ts';
export { type Clash, clashesOf } from './day/clashes.ts';
export {
  agreedTasks,
  type DayPlan,
  loadedRounds,
  placesReloaded,
  planningDay,
  shownTasks,
} from './day/plan-day.ts';
export { dayMoves, isDayWorthMoving, type Moved, shortJobs } from './day/repair-day.ts';
export { stayingAt } from './day/round-changes.ts';
export { type Choice, choiceOf, type DropOff, roundByHand } from './day/round-choice.ts';
export {
  type DrivenPlace,
  type DrivenRound,
  drivenAlone,
  drivenRounds,
  placesGone,
  whoStays,
} from './day/round-legs.ts';
export { roundsOf } from './day/rounds.ts';
export { sharingDay } from './day/sharing.ts';
export { type WayOut, waysOut } from './day/ways-out.ts';
export { type Culprit, culpritsOf } from './day/why-not.ts';
export { choosePoints } from './fixing/choose-points.ts';
export { nearestAlong } from './fixing/garland-line.ts';
export { methodOf, methods } from './fixing/methods.ts';
export { keptClear, leafOf } from './fixing/place.ts';
export { floorUnder, usualLadders, usualPlatforms } from './fixing/reach.ts';
export { bentRod } from './geometry/elastica.ts';
export { chainLength, smoothLine } from './geometry/line.ts';
export { backOf, isSolidBehind } from './ground/back.ts';
export { applyChanges } from './lamps/fixes.ts';
export { type HowLong, howLong } from './lamps/how-long.ts';
export { type LookFault, lookFaults } from './lamps/look-faults.ts';
export { CABLES_M } from './lamps/power.ts';
export { usualHoldTimes } from './lasting/hold-time.ts';
export { awayName } from './loading/away-name.ts';
export { violationsOf } from './loading/check.ts';
export { goesThrough } from './loading/clearances.ts';
export { freshRow } from './loading/fresh-row.ts';
export { rideThings } from './loading/kit.ts';
export { lineCode, readLineCode } from './loading/line-code.ts';
export type { LongerLoad } from './loading/longer.ts';
export { usuallyRides } from './loading/stiff.ts';
export { vehicleTypes } from './loading/vehicle-types.ts';
export { aroundOf } from './looks/around-of.ts';
export { closedPiece } from './looks/closed-piece.ts';
export { type Heat, heatOf } from './looks/heat.ts';
export { usualLimits } from './looks/limits.ts';
export { asSeenBy, type Eyes, type PaletteReading, readPalette } from './looks/palette.ts';
export { settledPictureOf } from './looks/settled-picture.ts';
export { withFillersNeeded } from './looks/take-fillers.ts';
export { materialItems, totalMaterials } from './materials/materials.ts';
export { shortMaterials } from './materials/short.ts';
export { fixedBy } from './network/fixings.ts';
export type { PatternCard } from './pattern/card.ts';
export { matchOf } from './pattern/chirality.ts';
export { colourSpread } from './pattern/colour-plan.ts';
export { usualFor } from './piece/attachments.ts';
export { recoloured } from './piece/colours.ts';
export { type Cut, cutsOnLine, nearestShare, withCut } from './piece/cuts-on-line.ts';
export { usualTable } from './piece/furnishing.ts';
export { kindNames } from './piece/kind-names.ts';
export { letHang } from './piece/let-hang.ts';
export { lineOfLength } from './piece/line-of-length.ts';
export { dealtAgain, mixOf } from './piece/mix-of.ts';
export { moved } from './piece/moved.ts';
export { newPiece } from './piece/new-piece.ts';
export { outerOverMean } from './piece/organic-law.ts';
export { layersOf, type PiecePattern, patternOf } from './piece/pattern-of.ts';
export { BAR_PIPE, THIN_POLE_IN } from './piece/photo-frame-pipes.ts';
export type { DrawnBalloon, DrawnShape, Picture } from './piece/picture.ts';
export { pictureOf } from './piece/picture-of.ts';
export { madeRecipe, rawNeedsOf, schoolsOf } from './piece/recipe-of.ts';
export { bySchool, schoolEffects, schoolOptions } from './piece/school-effects.ts';
export { countPieces, draftPlan, judgeJob, longerLoads, planJob, planningJob, workedJob } from './plan.ts';
export {
  formatBore,
  formatForce,
  formatMass,
  inTheirUnits,
  KG_PER_POUND,
  LPS_PER_CFM,
  MS_PER_MPH,
  NEWTONS_PER_POUND,
} from './quantity/customary.ts';
export { groupBy } from './quantity/group.ts';
export * from './quantity/length.ts';
export { listed } from './quantity/listed.ts';
export { counted, plural } from './quantity/plural.ts';
export { formatTemp, inTheirDegrees } from './quantity/temperature.ts';
export { rehearsing } from './rehearsal/rehearse.ts';
export { chanceText } from './rehearsal/uncertainty.ts';
export {
  balloonsTogether,
  countedHome,
  filesAskedFor,
  type JobNeeds,
  lacksOfAll,
  leftFor,
  needsOfJob,
} from './several-jobs.ts';
export { spokenSheet } from './spoken/spoken-sheet.ts';
export { type BuyRow, buyList, substitutes, wantedDay } from './stock/buy.ts';
export { isHolding } from './stock/held.ts';
export {
  type Arrival,
  movementsBack,
  movementsOfUse,
  onShelf,
  ordersAfter,
  sameProduct,
  shelfAfter,
} from './stock/ledger.ts';
export { type ProductNeed, productNeeds } from './stock/needs.ts';
export { arrivesOn, isOpen } from './stock/open-days.ts';
export { type Purchase, purchasesOf } from './stock/purchases.ts';
export { heldAt } from './structure/at-gust.ts';
export { baseOf, bases } from './structure/bases.ts';
export { loadsOf } from './structure/loads.ts';
export { pipeOf, pipes } from './structure/pipes.ts';
export { sleeveFit, sockets } from './structure/sleeve-fit.ts';
export { usualRules } from './structure/standing.ts';
export { allCarriedBy, backToFront, carriersFirst, depthOf } from './support/carried.ts';
export { type Carrying, distanceTo, nearestPlace, partsOf } from './support/parts.ts';
export { type Proposal, placesFor, proposalsFor } from './support/propose.ts';
export { asideToRoom, boundsOf, whereThereIsRoom } from './support/room.ts';
export { hungOn, movesWith, type Side } from './support/snap.ts';
export { carrierWords } from './support/words.ts';
export { hasSurface, type SurveyQuestion, surveyWalk } from './survey/walk.ts';
export { driveBetween } from './travel/between.ts';
export { simulatedDrive } from './travel/simulated.ts';
export { rainUntil } from './weather/rain.ts';
export { simulatedForecast } from './weather/simulated.ts';
