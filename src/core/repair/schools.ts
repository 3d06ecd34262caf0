/** A question of the repair on which workshops disagree: both sides, and what physics or safety settles. */
export interface RepairSchool {
  readonly id: string;
  readonly question: string;
  readonly one: string;
  readonly other: string;
  readonly settles: string;
  /** Part of the repair beside which it stands. */
  readonly at: 'plan' | 'safe' | 'strip' | 'drain' | 'fill' | 'bleed';
}

/** The disagreements of planning, opening, fitting, flushing, filling and bleeding. */
export const REPAIR_SCHOOLS: readonly RepairSchool[] = [
  {
    ...{ id: 'rating', at: 'plan', question: 'Hotter, colder, or as it was rated?' },
    one: 'Hotter, to reach temperature or to help when towing; much colder by habit.',
    other: 'The maker’s: fuelling and codes are made for it.',
    settles:
      'The rating sets the lowest temperature that is held, not what can be carried off. Hotter is no better under load and leaves less to boiling and to the fan; colder may keep the mixture rich and set the code. A sound one of the original rating first.',
  },
  {
    ...{ id: 'coolant-type', at: 'plan', question: 'Which coolant?' },
    one: 'The colour that is in it; a universal one; what the shop’s site says.',
    other: 'The maker’s approval text.',
    settles: 'Colour is dye. Matching what is in it holds only if that was right. Two families are not mixed.',
  },
  {
    ...{ id: 'waterless', at: 'plan', question: 'Waterless coolant?' },
    one: 'Never changed, never boils, safe to open.',
    other: 'Water-based, as the maker fills it.',
    settles:
      'It carries less heat and flows thicker: metal runs hotter. At lower pressure it still scalds, and it burns. No top-up with water. Its lifetime is the supplier’s claim.',
  },
  {
    ...{ id: 'interval', at: 'plan', question: 'Change coolant by years, or never?' },
    one: 'By years or distance.',
    other: 'Filled for life.',
    settles: 'The inhibitor wears. A test strip and the freezing point tell; age alone only asks.',
  },
  {
    ...{ id: 'battery', at: 'safe', question: 'Battery off?' },
    one: 'Always.',
    other: 'Not for this.',
    settles: 'Near alternator, starter or fan it comes off. Else it is a choice; save codes first, learned values go.',
  },
  {
    ...{ id: 'cold-or-warm', at: 'safe', question: 'Open it cold or warm?' },
    one: 'Warm: it drains better.',
    other: 'Cold.',
    settles: 'Cold, always.',
  },
  {
    ...{ id: 'judge-by-eye', at: 'strip', question: 'Judge the old thermostat by eye?' },
    one: 'By spring, stem, seal and light.',
    other: 'Looks prove nothing.',
    settles:
      'Light at the cold seat, not the vent, proves it open; a missing seal proves a leak path; a weak spring proves little. Looks never prove one good. Hot water takes minutes.',
  },
  {
    ...{ id: 'sealing', at: 'strip', question: 'Seal dry, wet, greased, or with sealant?' },
    one: 'Sealant, to be safe.',
    other: 'Dry, or wetted.',
    settles: 'Moulded rubber: no liquid sealer, at most a compatible grease. Paper: as the maker says.',
  },
  {
    ...{ id: 'torque', at: 'strip', question: 'Torque by value or snug?' },
    one: 'Snug, by feel.',
    other: 'By the value.',
    settles: 'Soft housings: the value. Oiled threads, or with anti-seize, need less for the same clamp.',
  },
  {
    ...{ id: 'how-much', at: 'drain', question: 'Drain some, or all of it?' },
    one: 'Just below the opening.',
    other: 'All, with the second plug.',
    settles:
      'The repair needs little, renewing it a share; “all” leaves much in block, heater and coolers. The figures above say what stays.',
  },
  {
    ...{ id: 'flush-method', at: 'drain', question: 'Flush by hose, or gently?' },
    one: 'Hose, back through block and radiator.',
    other: 'Fill, run, drain, again; or not at all.',
    settles:
      'Gently on old plastic and cores: mains pressure can be above the cap’s rating. Direction and the way through the heater matter.',
  },
  {
    ...{ id: 'cleaner-time', at: 'drain', question: 'Leave the cleaner in longer than the label says?' },
    one: 'Hours, or days of driving.',
    other: 'As the label says.',
    settles: 'The label governs. With a least time only, ask for the most: some harm soft metals.',
  },
  {
    ...{ id: 'clean-up', at: 'drain', question: 'Clean up with water or solvent?' },
    one: 'Solvent.',
    other: 'Water.',
    settles: 'Water, when it is cool. Solvent near hot or live parts is fire and vapour.',
  },
  {
    ...{ id: 'reuse', at: 'fill', question: 'Put the drained coolant back?' },
    one: 'If it is clean.',
    other: 'Always new.',
    settles: 'If recent, clear, of known kind and strength, and caught clean; never after contamination.',
  },
  {
    ...{ id: 'water', at: 'fill', question: 'Which water?' },
    one: 'Never tap water.',
    other: 'Soft tap water is fine; pure water attacks metal.',
    settles:
      'Pure water attacks a little without inhibitor, not in the mix; hard water scales. Demineralised in mix and last rinse, tap before.',
  },
  {
    ...{ id: 'ratio', at: 'fill', question: 'How strong?' },
    one: 'The stronger the better.',
    other: 'More water cools better.',
    settles:
      'Water carries more heat and loses protection from frost, boiling and rust. Half is usual; above about two thirds it freezes sooner again.',
  },
  {
    ...{ id: 'fill-level', at: 'fill', question: 'Fill to which mark?' },
    one: 'To the top: a reserve for the bleeding.',
    other: 'Just above the minimum.',
    settles: 'Cold engine: the cold mark. It needs room to grow; a high fill for bleeding must come down again.',
  },
  {
    ...{ id: 'cap-while-warming', at: 'bleed', question: 'Cap on or off while it warms up?' },
    one: 'Off, to see the bubbles.',
    other: 'On.',
    settles: 'Off only with a funnel, at idle, below boiling, face away; on before it is hot.',
  },
  {
    ...{ id: 'idle-or-revs', at: 'bleed', question: 'Bleed at idle or at engine speed?' },
    one: 'Idle.',
    other: 'Held engine speeds, or a drive.',
    settles: 'The maker’s schedule. Engine speed moves air, and hides a poor flow at idle.',
  },
  {
    ...{ id: 'heater', at: 'bleed', question: 'Heater on from when?' },
    one: 'From the start.',
    other: 'After the cap is on.',
    settles: 'For bleeding from the start, blower low: it opens a water valve. When diagnosing it draws heat: log it.',
  },
  {
    ...{ id: 'pressure', at: 'bleed', question: 'Pressure after a drive: air?' },
    one: 'Yes.',
    other: 'That is normal.',
    settles:
      'Normal: the liquid grows, the gas is squeezed, vapour adds. Air shows as a cold level that falls, and a gurgling heater.',
  },
];
