<?php

declare(strict_types=1);

namespace Elmstone\Staff\Doors;

/** PINs somebody would try first: one digit, digits in a row, a pattern twice or more, the staff number. */
final class EasyPin
{
    public static function is(string $pin, string $number): bool
    {
        $digits = array_map(intval(...), str_split($pin));
        $steps = array_map(
            static fn (int $one, int $next): int => ($next - $one + 10) % 10,
            array_slice($digits, 0, -1),
            array_slice($digits, 1),
        );

        return match (true) {
            count(array_unique($steps)) === 1 && in_array($steps[0], [0, 1, 9], true) => true,
            preg_match('/^(\d{1,4})\1+$/D', $pin) === 1 => true,
            $number !== '' && str_contains($pin, $number) && strlen($number) * 2 >= strlen($pin) => true,
            default => in_array($pin, ['123123', '112233', '123321', '159753', '147258', '654123', '102030'], true),
        };
    }
}
