<?php

declare(strict_types=1);

namespace Elmstone\Support\Http;

use Elmstone\Core\Money\Refused;
use Illuminate\Validation\ValidationException;

/** What is refused of a field is said beside it; FIELDS names it by the rule. */
trait SaysAtItsField
{
    /**
     * @template T
     *
     * @param  callable(): T  $act
     * @return T
     *
     * @throws ValidationException
     * @throws Refused of no field
     */
    public function saidAtItsField(callable $act): mixed
    {
        try {
            return $act();
        } catch (Refused $refused) {
            $field = self::FIELDS[$refused->rule] ?? throw $refused;

            throw ValidationException::withMessages([$field => $refused->getMessage()]);
        }
    }
}
