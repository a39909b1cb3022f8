<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Till\CashCount;
use Elmstone\Core\Till\CountedUnit;
use Elmstone\Shop\House;
use Illuminate\Validation\ValidationException;

/** Notes and coins, and sums beside them, as typed; what is wrong is said at its row. */
trait ReadsCash
{
    /** @throws ValidationException */
    public function cash(): CashCount
    {
        $house = app(House::class);
        $units = [];

        foreach ($this->array('rows') as $minor => $typed) {
            $typed = is_scalar($typed) ? trim((string) $typed) : '';
            $typed === '' || ($units[] = $this->checked(
                "rows.{$minor}",
                static fn (): CountedUnit => CountedUnit::of($house->money((int) $minor), self::pieces($typed)),
            ));
        }

        return $this->checked('rows', static fn (): CashCount => CashCount::of($house->currency(), $units));
    }

    /**
     * A sum of its own; nothing typed is nothing there.
     *
     * @throws ValidationException
     */
    public function sum(string $field): Money
    {
        $house = app(House::class);

        return $this->checked(
            $field,
            fn (): ?Money => $house->typedMoney($this->string($field)->value()),
        ) ?? $house->money(0);
    }

    /** @throws Refused bad_count */
    private static function pieces(string $typed): int
    {
        return preg_match('/^\d{1,9}$/D', $typed) === 1
            ? (int) $typed
            : throw Refused::because('bad_count', 'Type how many there are, a whole number.');
    }

    /**
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     *
     * @throws ValidationException
     */
    private function checked(string $field, callable $read): mixed
    {
        try {
            return $read();
        } catch (Refused $refused) {
            throw ValidationException::withMessages([$field => $refused->getMessage()]);
        }
    }
}
