<?php

declare(strict_types=1);

namespace Elmstone\Core\Receivables;

use DateTimeImmutable;
use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;

/**
 * What is owed, by how late it is, with unused credit in a column of its own. The columns sum to the balance.
 * docs/rules.md, "House accounts".
 */
final readonly class Ageing
{
    /** @param  array<string, Money>  $columns by AgeBand value; unused credit is below zero */
    private function __construct(public array $columns, public Money $balance)
    {
    }

    /** @param  iterable<OpenItem>  $items what was open on that day; items dated after it are left out */
    public static function of(Currency $currency, DateTimeImmutable $asOf, iterable $items): self
    {
        $minor = array_fill_keys(
            array_map(static fn (AgeBand $band): string => $band->value, AgeBand::cases()),
            Money::zero($currency),
        );
        $day = $asOf->format('Y-m-d');

        foreach ($items as $item) {
            if ($item->date->format('Y-m-d') <= $day) {
                $band = AgeBand::of($item, $asOf)->value;
                $minor[$band] = $item->kind === ItemKind::Charge
                        ? $minor[$band]->plus($item->open)
                        : $minor[$band]->minus($item->open);
            }
        }

        return new self($minor, Money::sum($minor, $currency));
    }

    /**
     * Where each column is summed already.
     *
     * @param  array<string, Money>  $columns by AgeBand value, all of them; unused credit is below zero
     */
    public static function summed(array $columns, Currency $currency): self
    {
        return new self($columns, Money::sum($columns, $currency));
    }

    public function in(AgeBand $band): Money
    {
        return $this->columns[$band->value];
    }

    /** Everything past due. */
    public function late(): Money
    {
        return $this->balance->minus($this->in(AgeBand::NotDue))->minus($this->in(AgeBand::UnusedCredit));
    }

    public function plus(self $that): self
    {
        $columns = [];

        foreach ($this->columns as $band => $amount) {
            $columns[$band] = $amount->plus($that->columns[$band]);
        }

        return new self($columns, $this->balance->plus($that->balance));
    }
}
