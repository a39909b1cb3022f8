<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Counter\Slip\Slip;
use Elmstone\MoneyOut\GoingOut;
use Elmstone\MoneyOut\Way;
use Elmstone\Returns\OriginMoney;
use Elmstone\Returns\Pool;
use Elmstone\Returns\Source;
use Elmstone\Shop\House;

/** What of a credit leaves the house: of what it came in by, by which way, and whether it came in that way. */
final readonly class MoneyLeaving
{
    /** @param  array<string, array<string, Money>>  $shares by source and way */
    public function __construct(
        private Slip $slip,
        private House $house,
        private OriginMoney $money,
        private array $shares,
    ) {
    }

    /**
     * @return list<GoingOut> all that leaves the house, of what it came in by; what pays for other goods leaves as
     *     those
     */
    public function going(): array
    {
        $going = [];

        foreach ($this->shares as $source => $ways) {
            $origin = Source::read($source)->origin ?? 0;
            $document = $this->slip->originals[$origin] ?? null;

            foreach ($ways as $way => $amount) {
                $kind = Way::read($way)?->kind;

                if ($kind !== null && $kind !== TenderKind::Exchange) {
                    $going[] = new GoingOut(
                        $kind,
                        $amount,
                        $document->label ?? '',
                        $this->money->wentBack($origin, $kind),
                    );
                }
            }
        }

        return $going;
    }

    /** @return array<string, Money> what goes by another money way than it came, as far as somebody opened that way */
    public function otherWays(): array
    {
        $other = [];

        foreach (array_keys($this->slip->back_other ?? []) as $way) {
            foreach ($this->shares as $source => $ways) {
                $from = Source::read($source);

                if (isset($ways[$way]) && $from->is(Pool::Paid)) {
                    $beyond = $ways[$way]->minus($this->money->left((int) $from->origin, (string) $way));
                    $beyond->isPositive()
                        && ($other[$way] = $beyond->plus($other[$way] ?? $this->house->money(0)));
                }
            }
        }

        return $other;
    }

    /** Cash for goods that came without an original. */
    public function blindCash(): Money
    {
        return $this->shares[Source::blind()->key()][TenderKind::Cash->value] ?? $this->house->money(0);
    }
}
