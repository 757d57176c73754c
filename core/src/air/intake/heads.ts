/** What a column holds, by its head. `other`: something that a hygrometer's file has besides, and that must not be taken for it. */
export type HeadKind = 'rh' | 'temp' | 'clock' | 'other' | null;

/**
 * Words of heads in small letters, in the languages loggers are sold in: English, German, French, Spanish, Italian, Portuguese,
 * Dutch, the Nordic ones, Polish, Czech, Japanese, Chinese, Korean. From memory.
 */
const OTHER =
  /batt|akku|pile|volt|\bm?v\b|power|signal|rssi|dbm|absol|\babs\b|g\/m|g\/kg|mixing|\bvpd\b|pa\b|dew|frost|taupunkt|tau ?p|ros[ée]e|rugiada|roc[ií]o|orvalho|dauw|dagg|dugpunkt|doggpunkt|kastepiste|rosy|rosn|露点|이슬|heat|feels|humidex|wet|enthalp|press|druck|luce|light|lux|co2|ppm|voc|alarm|channel|kanal|\bid\b|\bno\b|\bnr\b|count|outdoor|outside|außen|aussen|exterior|extérieur|esterno|buiten|ute\b|室外/u;
const RH =
  /humid|\br\.? ?h\b|\brh|hum\b|moist|feucht|rel\.? ?f|\brf\b|humed|umid|vocht|fukt|fugt|kosteus|wilgot|vlhk|湿度|濕度|습도|влажн|υγρασ|%/u;
const TEMP =
  /temp|°|℃|℉|celsius|fahrenheit|degree|deg ?[cf]\b|\b[cf]\b|grad\b|温度|溫度|気温|온도|температ|θερμοκρ|lämpöt|teplot/u;
const CLOCK = /time|zeit|uhr|heure|hora|\bora\b|\btid\b|klok|tijd|clock|时间|時間|時刻|시간|godz|[čc]as\b|kello/u;

/** What a column holds, by its head; null where the head does not say. */
export function kindOfHead(head: string): HeadKind {
  const text = head.normalize('NFKC').toLowerCase();
  if (OTHER.test(text)) return 'other';
  if (RH.test(text)) return 'rh';
  if (TEMP.test(text)) return 'temp';
  return CLOCK.test(text) ? 'clock' : null;
}

/** The unit a head gives for a temperature: a unit by itself, in brackets, or behind a degree sign; null where it gives none. */
export function tempUnitOfHead(head: string): 'C' | 'F' | null {
  const text = head.normalize('NFKC').toLowerCase();
  const unit = /(?:° ?|deg\.? ?|degrees? |[([,/_ -]|^)(c|f|celsius|fahrenheit)(?:[)\],/_ ]|$)/.exec(text)?.[1];
  if (unit) return unit.startsWith('c') ? 'C' : 'F';
  return text.includes('celsius') ? 'C' : text.includes('fahrenheit') ? 'F' : null;
}
