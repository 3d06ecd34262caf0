import type { ChannelName } from '../../base';

const DASH =
  '(gauge|dash\\w*|cluster|instrument\\w*|kombi\\w*|combine|tableau|cuadro|cruscotto|quadro|painel|needle|displayed|indicated|anzeige|tavle|mittari\\w*|zegar\\w*|wskaznik\\w*|pristroj\\w*|ukazatel\\w*)';
const WARM =
  '(temp\\w*|ects?|clts?|coolant|water|kuhlmittel\\w*|wasser\\w*|eau|refroidissement|refrigerante|agua|acqua|liquido|koelvloeistof|kylvatska|kolevaeske|kjolevaeske|jaahdyty\\w*|plyn\\w*|chladic\\w*)';
/** The dash's own reading of the coolant, in either order of the words. */
const GAUGE = new RegExp(
  `^(?!.*\\bfan\\b)(.*\\b${DASH}\\b.*\\b${WARM}\\b|.*\\b${WARM}\\b.*\\b${DASH}\\b)|^gauge( c| f)?$`,
);

/**
 * Words to channels, first match wins; tried on the header in lower case without accents, punctuation turned to
 * spaces. English, German, French, Spanish, Italian, Portuguese, Dutch, Swedish, Danish, Norwegian, Finnish, Polish,
 * Czech, Hungarian, Turkish, Russian, Japanese and Chinese words for the same things.
 */
export const CHANNEL_WORDS: readonly (readonly [RegExp, ChannelName | 'time_s'])[] = [
  [
    /\bthermostat\b.*\b(heat\w*|duty|control|command|pwm|cmd|element)|\b(map|heated) thermostat|kennfeldthermostat|thermostatheizung/,
    'thermostat_heater_pct',
  ],
  [GAUGE, 'gauge_c'],
  [
    /\b(radiator|rad|kuhler|kuehler|radiateur|radiador|radiatore|kylare|chlodnic\w*)\b.*\b(out|outlet|return|lower|bottom|austritt|ausgang|sortie|salida|uscita|saida|ut)\b|kuhleraustritt|kuehleraustritt|\b(lower|bottom) (radiator )?hose\b/,
    'rad_out_c',
  ],
  [
    /\boil\b.*\btemp|\btemp\w*\b.*\boil\b|oltemp|oeltemp|motoroltemp|\beot\b|temp\w* (d )?huile|temp\w* (del )?aceite|temp\w* (dell )?olio|temp\w* (do )?oleo|oljetemp|olietemp|temp\w* oleju/,
    'oil_c',
  ],
  [
    /\b(ambient|outside|outdoor|exterior|external)\b|\b(aat|oat)\b|aussen|umgebung|temp\w* exterieure?|temp\w* (esterna|ambiente|externa)|buitentemp|utetemp|utomhus|kulso ho|dis (hava|ortam)|окружа|наружн|外気|环境|车外|外界|udetemp|ulkolampo|temp\w* (zewnetrzn|otoczenia)|venkovni/,
    'ambient_c',
  ],
  [
    /\b(intake|inlet|manifold|charge)\b.*\btemp|\biat\d?\b|\bmat\b|ansaugluft|ansaugtemp|ladelufttemp|temp\w* (d |de l |de )?(air )?(d )?admission|\bair (intake )?temp(erature)?\b(?!.*(ambient|outside))|aire (de )?admision|aria (di )?aspirata|ar (de )?admissao|inlaatlucht|insugsluft|innsugsluft|indsugningsluft|imuilma|powietrza (dolotowego|zasysanego)|nasavan|beszivott|szivo(cso|levego)|emme hava|впуск|吸気|进气/,
    'iat_c',
  ],
  [
    /\b(ect|coolant|clt|water|engine)\b.*\b(2|ii|second|two|b|rear|s2|sensor 2|bank 2)\b(?!.*\b(rpm|speed)\b)|\bect2\b|\bect s?2\b|second\w* (engine )?coolant|kuhlmitteltemp\w* 2/,
    'ect2_c',
  ],
  [
    /\bcoolant\b(?=.*\b(temp\w*|deg|c|f|1)\b)|\bcoolant$|^coolant|coolanttemp|\bects?1?\b|\bclt\b|\bwater\b.*\btemp|\btemp\w*\b.*\bwater\b|watertemp|wassertemp|\bengine temp|\bmotor temp|kuhlmittel|kuehlmittel|kuhlwasser|kuehlwasser|kuhlerwasser|kuehlerwasser|\btemp\w* (de |da |do |del |dell )?(agua|acqua)\b|motortemp|refroidissement|refrigerante|refrigeracao|arrefecimento|liquido (di )?raffredd|raffreddamento|\btemp\w* (de l )?eau|koelvloeistof|koelwater|kylvatsk|kylarvatsk|kylvatten|kjolevaeske|kjolevann|kole?r?vaeske|kolevand|jaahdytysnest|chlodzac|chladici|\btemp\w* (del )?motor(e)?\b|\bt ?(cool\w*|clt|mot|kw|water|wat|eau)\b|\bthw\b|\bcool(?!ing)\w*\b.*\b(t|tmp|temp\w*)\b|hutoviz|hutofolyadek|sogutma (suyu|sivisi)|motor suyu|hararet|охлажда|冷却水|冷却液|水温/,
    'ect_c',
  ],
  [
    /^motor(hastig\w*|snelheid)\b|moottorin (pyorimis)?nopeus|rychlost motoru|velocidad (del )?motor|velocita (del )?motore|velocidade (do )?motor|vitesse (du )?moteur|\beng\w* ?spd\b|\bn ?(mot|eng)\b|\brpm\b|\bengine (speed|revs?|rev)\b|\brevs\b|drehzahl|\bregime\b|\brevolution(s|es)\b|\bn mot\b|\bgiri\b|\brotacao\b|\brotacoes\b|toerental|varvtal|turtall|omdrejning|omdr\b|kierrosluku|kierrosnopeus|kierrokset|pyorimisnopeus|\bobroty\b|predkosc obrotowa|\botac\w*|fordulat|\bdevir|оборот|частота вращ|回転|转速/,
    'rpm',
  ],
  [
    /\b(vehicle|road|car|gps|wheel|ground)\b.*\bspeed\b|^speed\b|\bveh\w* ?spd\b|\bvss\b|geschwindigkeit|\bvitesse\b|velocidad|velocita|velocidade|snelheid|hastighet|hastighed|\bfart\b|ajonopeus|^nopeus|predkosc|rychlost|\bv ?fzg\b|^obd speed|vehiclespeed|sebesseg|\bhiz\w*|скорост|車速|车速|速度/,
    'speed_kmh',
  ],
  [
    /\bmaf\b|mass air\w*|air mass|\bair ?flow\b|luftmasse|luftmassa|luchtmassa|debit d ?air|mass flow|caudal de aire|portata aria|fluxo de ar/,
    'maf_gps',
  ],
  [
    /\bload\b|^last\b|motorlast|\bcharge (moteur|calcul)|\bcarga\b|\bcarico\b|motorbelast|belasting|belastning|obciazenie|zatizeni|kuormitus|\bkuorma|terheles|\byuk\w*|нагрузк|負荷|负荷|负载/,
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
    /^(minutes?|time|t|ts|t stamp|stamp|timestamp|elapsed|seconds?|secs?|millis|zeit\w*|temps|tiempo|tempo|tijd\w*|tid|aika|czas|cas|clock|uhrzeit|heure|hora|ora|klokke\w*|ido\w*|eltelt ido|zaman\w*|gecen sure|sure|date ?time|datetime|date|datum|fecha|data|dato|pvm)\b|время|時間|时间|時刻|时刻|経過|\b(elapsed|run|log|session|device|trip) ?time\b|\btime ?(stamp|s|sec|seconds|elapsed|ms)?\b$/,
    'time_s',
  ],
];

/** Words that make a header something else than the measured channel it also names. */
export const OTHER_THINGS =
  /\b(target|desired|setpoint|set point|soll\w*|requested|model\w*|consigne|objetivo|voltage|volts?|spannung|tension|raw|adc|counts?|resistance|ohms?|widerstand|level|fullstand|niveau|pressure|druck|pression|presion|pump|pumpe|min|max|mini\w*|maxi\w*|avg|average|mean|delta|trim|status|quality|error|fault|age|distance|trip distance|odometer|fuel (level|rate|flow)|accel\w*|gear)\b/;

/**
 * Coolant temperatures that are not what the engine's sensor reads now: of other circuits and places, worked out, kept
 * from the start, limits and rates; in the languages of the channels.
 */
export const OTHER_COOLANTS = new RegExp(
  [
    '\\b(radiator\\w*|kuhler(?!wasser|flussig)\\w*|kuehler(?!wasser|fluessig)\\w*|radiateur|radiador|radiatore|kylare\\w*|koler(?!vaesk)\\w*|jaahdyttim\\w*|chlodnic\\w*|chladice)\\b',
    '\\b(return|rucklauf\\w*|ruecklauf\\w*|retour|retorno|ritorno|retur\\w*|paluu\\w*|powrot\\w*|zpatec\\w*)\\b',
    '\\b(heater|heating|heizung\\w*|chauffage|calefac\\w*|riscaldamento|aquecimento|verwarming|varme\\w*|lammit\\w*|nagrzewnic\\w*|topeni)\\b',
    'electric motor|\\be ?(motor|machine|maschine)\\b|traction|elektromotor|elektrisk motor|elmotor|moteur electrique|motor electrico|motore elettrico|motor eletrico|sahkomoottori|silnika? elektryczn',
    'power electronics?|leistungselektronik|electronique de puissance|electronica de potencia|elettronica di potenza|eletronica de potencia|vermogenselektronica|kraftelektronik|effektelektronik|tehoelektroniik|\\b(inverter|converter|dc ?dc|charger|battery|batterie\\w*|bateria|batteria|accu|batteri\\w*|akku\\w*)\\b',
    'low ?temp|niedertemp|\\blt (circuit|kreis|loop)\\b|basse temp|baja temp|bassa temp|baixa temp|lage temp|lagtemp|lavtemp',
    '\\b(intercooler|charge (air )?cooler|ladeluft\\w*|egr|agr|turbo\\w*|gearbox|transmission|getriebe\\w*|oil cooler)\\b',
    '\\b(estimat\\w*|geschatzt\\w*|estim\\w*|stimat\\w*|geschat\\w*|uppskattad|arvioitu|szacowan\\w*|odhad\\w*|calculated|computed|berechnet\\w*|calcul\\w*|calcolat\\w*|berekend\\w*|beraknad|beregnet|laskettu|obliczon\\w*|vypoct\\w*)\\b',
    '\\b(substitut\\w*|ersatz\\w*|default|fallback|replacement|remplacement|sustitu\\w*|vervangende)\\b|\\bsubst\\b',
    '\\b(start\\w*|at start|key on|demarrage|arranque|avviamento|partida)\\b',
    '\\b(limit\\w*|grenz\\w*|threshold|schwell\\w*|seuil|umbral|soglia|grens\\w*|grans\\w*|raja|granic\\w*|warning|alarm)\\b',
    '\\b(gradient\\w*|rate|slope|derivative|steigung|change)\\b',
    '\\bfan\\b|ventilator|lufter|ventilateur|ventilador|ventola|vifte|flakt',
    '\\b(filter\\w*|gefiltert\\w*|filtr\\w*|smoothed|geglattet)\\b',
  ].join('|'),
);

/** Words that say that a temperature is the engine's own. */
export const ENGINE_WORDS =
  /\b(engine|eng|ects?|motor\w*|moteur|motore|silnik\w*|moottori\w*|двигател\w*)|двигател|エンジン|发动机/;

/** Temperatures of other things. */
export const OTHER_TEMPERATURES =
  /\b(trans\w*|gearbox|getriebe\w*|atf|cvt|clutch|cat\w*|kat\w*|exhaust|abgas\w*|egt|egr|battery|batterie|fuel|kraftstoff\w*|brake|tyre|tire|cabin|interior|innenraum\w*|evaporator|turbo|inverter|ecu|pcm|cpu|phone|dpf|urea)\b/;
