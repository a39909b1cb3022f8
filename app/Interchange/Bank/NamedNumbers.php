<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank;

use Elmstone\Books\DocumentKind;

/**
 * The numbers a text names, and what it calls them: "inv. 24871 and 25120, account 1001" names two invoices and an
 * account.
 */
final class NamedNumbers
{
    public const ACCOUNT = 'account';

    /**
     * @return list<array{number: string, called: string}> without leading zeros; called INV and the like, account, or
     *     nothing
     */
    public static function in(string $text): array
    {
        preg_match_all('/\d{3,}/', $text, $found, PREG_OFFSET_CAPTURE);
        $named = [];
        $end = 0;
        $called = '';

        foreach ($found[0] as [$digits, $place]) {
            $before = substr($text, $end, $place - $end);
            $called = self::called($before)
                    ?? (preg_match('/^\s*([,;+&\/]|and|und|·)\s*$/i', $before) === 1 ? $called : '');
            $named[] = ['number' => ltrim($digits, '0'), 'called' => $called];
            $end = $place + strlen($digits);
        }

        return $named;
    }

    private static function called(string $before): ?string
    {
        if (
            preg_match(
                '/\b(?:a\/c|acct?|accounts?|customers?|cust)\b\W{0,3}(?:(?:no|nr|number)\b\W{0,3})?$/i',
                $before,
            ) === 1
        ) {
            return self::ACCOUNT;
        }

        if (preg_match('/\b(?:invoices?|invs?|bills?)\b\W{0,3}(?:(?:no|nr|number)s?\b\W{0,3})?$/i', $before) === 1) {
            return DocumentKind::Invoice->prefix();
        }

        $prefix = preg_match('/\b([A-Z]{2,4})\W{0,2}$/i', $before, $letters) === 1 ? strtoupper($letters[1]) : '';

        return array_find(
            array_map(static fn (DocumentKind $kind): string => $kind->prefix(), DocumentKind::cases()),
            static fn (string $known): bool => $known === $prefix,
        );
    }
}
