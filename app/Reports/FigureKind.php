<?php

declare(strict_types=1);

namespace Elmstone\Reports;

/** How a figure is kept and written. */
enum FigureKind
{
    /** Minor units of the house's currency. */
    case Money;
    case Count;
    /** A decimal of up to four places. */
    case Quantity;
    /** Hundredths of a percent, or of a day; nothing is summed. */
    case Ratio;
    case Text;
}
