<?php

declare(strict_types=1);

namespace Elmstone\Core\Money;

/**
 * An ISO 4217 currency: its alphabetic code and the number of decimal places of its minor unit.
 *
 * The places below are those of ISO 4217:2015, table A.1 ("CcyMnrUnts"); codes that are absent
 * from the exceptions have two.
 */
final readonly class Currency
{
    private const WITHOUT_PLACES = [
        'BIF', 'CLP', 'DJF', 'GNF', 'ISK', 'JPY', 'KMF', 'KRW', 'PYG', 'RWF', 'UGX', 'UYI', 'VND', 'VUV', 'XAF', 'XOF',
        'XPF',
    ];

    private const WITH_THREE = ['BHD', 'IQD', 'JOD', 'KWD', 'LYD', 'OMR', 'TND'];

    private const WITH_FOUR = ['CLF', 'UYW'];

    private function __construct(public string $code, public int $places)
    {
    }

    /**
     * @param  string  $code three capital letters of ISO 4217
     *
     * @throws Refused bad_currency
     */
    public static function of(string $code): self
    {
        if (preg_match('/^[A-Z]{3}$/D', $code) !== 1) {
            throw Refused::because('bad_currency', 'A currency is three capital letters, such as USD.');
        }

        return new self(
            $code,
            match (true) {
                in_array($code, self::WITHOUT_PLACES, true) => 0,
                in_array($code, self::WITH_THREE, true) => 3,
                in_array($code, self::WITH_FOUR, true) => 4,
                default => 2,
            },
        );
    }
}
