<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Returns\MoneySource;
use Elmstone\Core\Settlement\TenderKind;

/**
 * What a credit note is worth, by where it comes from, and what is left of it when the fee and the goods taken along
 * are paid with it.
 */
final readonly class CreditSources
{
    /**
     * @param  list<MoneySource>  $left
     * @param  array<string, array<string, Money>>  $used by source and way: what the fee and the goods taken along took
     */
    private function __construct(public array $left, public array $used)
    {
    }

    /**
     * @param  list<MoneySource>  $sources goods without an original first, then what was paid, then what was charged
     * @param  array<string, Money>  $uses by way, in this order
     */
    public static function after(array $sources, array $uses): self
    {
        $used = [];

        foreach ($uses as $way => $rest) {
            foreach ($sources as $i => $source) {
                // What was charged goes back to the account, also where other goods are taken along.
                if ($way === TenderKind::Exchange->value && Source::read($source->id)->is(Pool::Charged)) {
                    continue;
                }

                $part = Money::min($source->amount, $rest);
                $rest = $rest->minus($part);

                if ($part->isPositive()) {
                    $used[$source->id][$way] = $part;
                    $sources[$i] = new MoneySource($source->id, $source->amount->minus($part), $source->ways);
                }
            }
        }

        $left = array_values(
            array_filter($sources, static fn (MoneySource $source): bool => $source->amount->isPositive()),
        );

        // Ways are shared out in this order, so that cash is for goods without a receipt only where there is no other
        // place for it.
        usort(
            $left,
            static fn (MoneySource $one, MoneySource $other): int => Source::read($one->id)->is(Pool::Blind)
                <=> Source::read($other->id)->is(Pool::Blind),
        );

        return new self($left, $used);
    }

    /** What must go back to the house account, because it was charged there. */
    public function charged(Money $zero): Money
    {
        return array_reduce(
            $this->left,
            static fn (Money $sum, MoneySource $source): Money => Source::read($source->id)->is(Pool::Charged)
                ? $sum->plus($source->amount)
                : $sum,
            $zero,
        );
    }

    public function total(Money $zero): Money
    {
        return array_reduce(
            $this->left,
            static fn (Money $sum, MoneySource $source): Money => $sum->plus($source->amount),
            $zero,
        );
    }
}
