import arrowDown from 'bootstrap-icons/icons/arrow-down.svg?raw';
import arrowLeft from 'bootstrap-icons/icons/arrow-left.svg?raw';
import arrowRight from 'bootstrap-icons/icons/arrow-right.svg?raw';
import arrowUp from 'bootstrap-icons/icons/arrow-up.svg?raw';
import calendar3 from 'bootstrap-icons/icons/calendar3.svg?raw';
import camera from 'bootstrap-icons/icons/camera.svg?raw';
import caretDownFill from 'bootstrap-icons/icons/caret-down-fill.svg?raw';
import check2 from 'bootstrap-icons/icons/check2.svg?raw';
import chevronDown from 'bootstrap-icons/icons/chevron-down.svg?raw';
import chevronRight from 'bootstrap-icons/icons/chevron-right.svg?raw';
import exclamationTriangle from 'bootstrap-icons/icons/exclamation-triangle.svg?raw';
import flag from 'bootstrap-icons/icons/flag.svg?raw';
import handIndexThumb from 'bootstrap-icons/icons/hand-index-thumb.svg?raw';
import hourglassSplit from 'bootstrap-icons/icons/hourglass-split.svg?raw';
import infoCircle from 'bootstrap-icons/icons/info-circle.svg?raw';
import patchCheck from 'bootstrap-icons/icons/patch-check.svg?raw';
import person from 'bootstrap-icons/icons/person.svg?raw';
import plusLg from 'bootstrap-icons/icons/plus-lg.svg?raw';
import search from 'bootstrap-icons/icons/search.svg?raw';
import wifiOff from 'bootstrap-icons/icons/wifi-off.svg?raw';
import x from 'bootstrap-icons/icons/x.svg?raw';

/** The signs that are used, as drawings: a font of two thousand for these would be most of what a page loads. */
const SIGNS = {
  'arrow-down': arrowDown,
  'arrow-left': arrowLeft,
  'arrow-right': arrowRight,
  'arrow-up': arrowUp,
  calendar3,
  camera,
  'caret-down-fill': caretDownFill,
  check2,
  'chevron-down': chevronDown,
  'chevron-right': chevronRight,
  'exclamation-triangle': exclamationTriangle,
  flag,
  'hand-index-thumb': handIndexThumb,
  'hourglass-split': hourglassSplit,
  'info-circle': infoCircle,
  'patch-check': patchCheck,
  person,
  'plus-lg': plusLg,
  search,
  'wifi-off': wifiOff,
  x,
};

/** A sign beside words; where it stands alone it says what it means. */
export function Icon({
  name,
  className,
  label,
}: {
  name: keyof typeof SIGNS;
  className?: string;
  label?: string;
}) {
  const about = label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true };
  return (
    <span
      {...about}
      className={'icon' + (className ? ' ' + className : '')}
      dangerouslySetInnerHTML={{ __html: SIGNS[name] }}
    />
  );
}
