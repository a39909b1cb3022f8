<?php

declare(strict_types=1);

namespace Elmstone\Books\Figures;

use Carbon\CarbonImmutable;
use Elmstone\Books\DocumentKind;
use Elmstone\Books\Purpose;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Support\ShopTime;
use Illuminate\Support\Facades\DB;

/** What goods cost that somebody took out of the books for nothing: written off, or lost on the way. */
final class LetGo
{
    private const PURPOSES = [Purpose::WriteOff, Purpose::GoodsMissing];

    /** Posted since the day began. */
    public static function since(CarbonImmutable $day, int $staff, Currency $currency): Money
    {
        $sum = DB::table('document_lines as l')
            ->join('documents as d', 'd.id', '=', 'l.document_id')
            ->where('d.staff_id', $staff)
            ->where('d.kind', DocumentKind::Adjustment)
            ->whereIn('d.purpose', self::PURPOSES)
            ->where('d.posted_at', '>=', ShopTime::beginning($day)->format('Y-m-d H:i:s'))
            ->sum('l.cost');

        return Money::ofMinor(is_numeric($sum) ? (int) $sum : 0, $currency);
    }
}
