import type { ChannelName } from '../../base';

/**
 * Words to channels, first match wins; tried on the header in lower case without accents, punctuation turned to
 * spaces. English, German, French, Spanish, Italian, Portuguese, Dutch, Swedish, Danish, Norwegian, Finnish, Polish and
 * Czech words for the same things.
 */
export const CHANNEL_WORDS: readonly (readonly [RegExp, ChannelName | 'time_s'])[] = [
  [
    /\bthermostat\b.*\b(heat\w*|duty|control|command|pwm|cmd|element)|\b(map|heated) thermostat|kennfeldthermostat|thermostatheizung/,
    'thermostat_heater_pct',
  ],
  [
    /\b(gauge|dash|cluster|instrument|kombiinstrument|tableau)\b(?!.*\bfan\b).*(temp|coolant|water|needle)|\b(temp|coolant|water|kuhlmittel)\w*.*\b(gauge|dash|cluster|instrument|kombiinstrument)\b|^gauge( c| f)?$/,
    'gauge_c',
  ],
  [
    /\b(radiator|rad|kuhler|kuehler|radiateur|radiador|radiatore|kylare|chlodnic\w*)\b.*\b(out|outlet|return|lower|bottom|austritt|ausgang|sortie|salida|uscita|saida|ut)\b|kuhleraustritt|kuehleraustritt|\b(lower|bottom) (radiator )?hose\b/,
    'rad_out_c',
  ],
  [
    /\boil\b.*\btemp|\btemp\w*\b.*\boil\b|oltemp|oeltemp|motoroltemp|\beot\b|temp\w* (d )?huile|temp\w* (del )?aceite|temp\w* (dell )?olio|temp\w* (do )?oleo|oljetemp|olietemp|temp\w* oleju/,
    'oil_c',
  ],
  [
    /\b(ambient|outside|outdoor|exterior|external)\b|\b(aat|oat)\b|aussen|umgebung|temp\w* exterieure?|temp\w* (esterna|ambiente|externa)|buitentemp|utetemp|utomhus|udetemp|ulkolampo|temp\w* (zewnetrzn|otoczenia)|venkovni/,
    'ambient_c',
  ],
  [
    /\b(intake|inlet|manifold|charge)\b.*\btemp|\biat\d?\b|\bmat\b|ansaugluft|ansaugtemp|ladelufttemp|temp\w* (d |de l |de )?(air )?(d )?admission|\bair (intake )?temp(erature)?\b(?!.*(ambient|outside))|aire (de )?admision|aria (di )?aspirata|ar (de )?admissao|inlaatlucht|insugsluft|innsugsluft|indsugningsluft|imuilma|powietrza (dolotowego|zasysanego)|nasavan/,
    'iat_c',
  ],
  [
    /\b(ect|coolant|clt|water|engine)\b.*\b(2|ii|second|two|b|rear|s2|sensor 2|bank 2)\b(?!.*\b(rpm|speed)\b)|\bect2\b|\bect s?2\b|second\w* (engine )?coolant|kuhlmitteltemp\w* 2/,
    'ect2_c',
  ],
  [
    /\bcoolant\b(?=.*\b(temp\w*|deg|c|f|1)\b)|\bcoolant$|^coolant|coolanttemp|\bects?1?\b|\bclt\b|\bwater\b.*\btemp|\btemp\w*\b.*\bwater\b|watertemp|wassertemp|\bengine temp|\bmotor temp|kuhlmittel|kuehlmittel|kuhlwasser|kuehlwasser|motortemp|refroidissement|refrigerante|refrigeracao|arrefecimento|liquido (di )?raffredd|raffreddamento|\btemp\w* (de l )?eau|koelvloeistof|koelwater|kylvatska|kylvatten|kjolevaeske|kjolevann|kolevaeske|kolevand|jaahdytysnest|chlodzac|chladici|\btemp\w* (del )?motor(e)?\b/,
    'ect_c',
  ],
  [
    /\brpm\b|\bengine (speed|revs?|rev)\b|\brevs\b|drehzahl|\bregime\b|\brevolution(s|es)\b|\bn mot\b|\bgiri\b|\brotacao\b|\brotacoes\b|toerental|varvtal|turtall|omdrejning|omdr\b|kierrosluku|kierrosnopeus|\bobroty\b|predkosc obrotowa|\botacky\b/,
    'rpm',
  ],
  [
    /\b(vehicle|road|car|gps|wheel|ground)\b.*\bspeed\b|^speed\b|\bvss\b|geschwindigkeit|\bvitesse\b|velocidad|velocita|velocidade|snelheid|hastighet|hastighed|\bfart\b|ajonopeus|^nopeus|predkosc|rychlost|\bv ?fzg\b|^obd speed|vehiclespeed/,
    'speed_kmh',
  ],
  [
    /\bmaf\b|mass air\w*|air mass|\bair ?flow\b|luftmasse|luftmassa|luchtmassa|debit d ?air|mass flow|caudal de aire|portata aria|fluxo de ar/,
    'maf_gps',
  ],
  [
    /\bload\b|^last\b|motorlast|\bcharge (moteur|calcul)|\bcarga\b|\bcarico\b|motorbelast|belastning|obciazenie/,
    'load_pct',
  ],
  [
    /\b(radiator|cooling|engine|rad|elec\w*) fan\b|\bfan (cmd|command|duty|speed|pct|control|request|state|relay)\b|^fan\b|kuhlerlufter|kuehlerluefter|kuhlerventilator|\blufter|ventilateur|ventilador|ventola|kylflakt/,
    'fan_pct',
  ],
  [
    /\b(cabin|heater|hvac|interior|blower)\b.*\b(blower|fan|heater|setting|pct)\b|^(heater|blower)\b|geblase|geblaese/,
    'heater_pct',
  ],
  [
    /^(minutes?|time|t|ts|t stamp|stamp|timestamp|elapsed|seconds?|secs?|millis|zeit\w*|temps|tiempo|tempo|tijd\w*|tid|aika|czas|cas|clock|uhrzeit|heure|hora|ora|klokke\w*|date ?time|datetime|date|datum|fecha|data|dato|pvm)\b|\b(elapsed|run|log|session|device|trip) ?time\b|\btime ?(stamp|s|sec|seconds|elapsed|ms)?\b$/,
    'time_s',
  ],
];

/** Words that make a header something else than the measured channel it also names. */
export const OTHER_THINGS =
  /\b(target|desired|setpoint|set point|soll\w*|requested|model\w*|consigne|objetivo|voltage|volts?|spannung|tension|raw|adc|counts?|resistance|ohms?|widerstand|level|fullstand|niveau|pressure|druck|pression|presion|pump|pumpe|min|max|mini\w*|maxi\w*|avg|average|mean|delta|trim|status|quality|error|fault|age|distance|trip distance|odometer|fuel (level|rate|flow)|accel\w*|gear)\b/;

/** Temperatures of other things. */
export const OTHER_TEMPERATURES =
  /\b(trans\w*|gearbox|getriebe\w*|atf|cvt|clutch|cat\w*|kat\w*|exhaust|abgas\w*|egt|egr|battery|batterie|fuel|kraftstoff\w*|brake|tyre|tire|cabin|interior|innenraum\w*|evaporator|turbo|inverter|ecu|pcm|cpu|phone|dpf|urea)\b/;
