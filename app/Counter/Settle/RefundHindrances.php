<?php

declare(strict_types=1);

namespace Elmstone\Counter\Settle;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Slip;
use Elmstone\MoneyOut\Way;
use Elmstone\Returns\Pool;
use Elmstone\Returns\Source;
use Elmstone\Support\Show;

/** What hinders that what comes back goes back by the ways that were chosen. */
final readonly class RefundHindrances
{
    public function __construct(private RefundWays $ways, private Slip $slip)
    {
    }

    /** @return list<Refused> */
    public function all(): array
    {
        $found = [];
        $left = $this->ways->left();

        foreach ($this->ways->wanted() as $way => $amount) {
            $most = $this->ways->most($way);

            if ($amount->exceeds($most)) {
                $found[] = Refused::because(
                    'not_that_way',
                    ($most->isZero() ? 'Nothing' : 'At most '.Show::money($most))
                        .' can go back '
                        .$this->ways->words($way)
                        .'.',
                );
            }
        }

        if ($found === [] && $left->isNegative()) {
            $found[] = Refused::because(
                'over_refunded',
                Show::money($left->negated()).' more would go back than comes back. Lower one of the ways.',
            );
        }

        if ($found === [] && $left->isPositive()) {
            $found[] = Refused::because('refund_left', 'Say by which way '.Show::money($left).' goes back.');
        }

        if ($this->ways->needsReference() && $this->slip->back_reference === '') {
            $found[] = Refused::because(
                'reference_missing',
                'Type the number of the shop’s cheque, or the transfer’s reference.',
            );
        }

        foreach ($found === [] ? $this->ways->shares() ?? [] : [] as $source => $shares) {
            $from = Source::read($source);
            $origin = $from->is(Pool::Paid) ? (int) $from->origin : 0;
            $money = Money::sum(
                array_filter(
                    $shares,
                    static fn (string|int $way): bool => Way::read($way)?->isMoney() === true,
                    ARRAY_FILTER_USE_KEY,
                ),
                $left->currency,
            );

            if ($origin > 0 && $money->exceeds($this->ways->moneyLeft($origin))) {
                $found[] = Refused::because(
                    'not_that_way',
                    'At most '
                        .Show::money($this->ways->moneyLeft($origin))
                        .' came in as money, and so goes back as money.',
                );
            }
        }

        return $found;
    }
}
