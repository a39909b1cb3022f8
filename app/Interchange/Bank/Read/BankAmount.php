<?php

declare(strict_types=1);

namespace Elmstone\Interchange\Bank\Read;

use Elmstone\Core\Money\Currency;
use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;

/** An amount as banks write it in tables: "$50.00", "1.234,50", "(12.00)", "12.00-", "USD 7", "30.00 DR". */
final readonly class BankAmount
{
    /** Signs that say a currency and no other. */
    private const SIGNS = ['€' => 'EUR', '£' => 'GBP', '₹' => 'INR', '₩' => 'KRW'];

    private function __construct(public string $digits, public bool $isOut, public string $currency)
    {
    }

    public static function of(string $cell): self
    {
        $text = trim((string) preg_replace('/[\x{00A0}\x{202F}\s]+/u', ' ', $cell));
        $isOut = preg_match('/^\(.*\)$|^[^\d]*[-−–]|[-−–]\s*$|\bD(R|EBIT)?\.?$/ui', $text) === 1;
        $currency = preg_match('/\b(?!CR\b|DR\b)([A-Z]{3})\b/', $text, $code) === 1
                ? $code[1]
                : implode(
                    '',
                    array_filter(
                        self::SIGNS,
                        static fn (string $sign): bool => str_contains($text, $sign),
                        ARRAY_FILTER_USE_KEY,
                    ),
                );

        return new self((string) preg_replace('/[^\d.,]/', '', $text), $isOut, $currency);
    }

    /** Which mark must be the decimal one; empty where it could be either. */
    public function mark(): string
    {
        $last = max((int) strrpos($this->digits, '.'), (int) strrpos($this->digits, ','));
        $marks = preg_replace('/\d/', '', $this->digits) ?? '';

        return match (true) {
            $marks === '' => '',
            count(array_unique(str_split($marks))) === 2 => $this->digits[$last],
            strlen($marks) > 1 => $marks[0] === '.' ? ',' : '.',
            strlen($this->digits) - $last - 1 !== 3 => $marks,
            default => '',
        };
    }

    /** @throws Refused bad_number, bad_amount */
    public function money(string $mark, Currency $currency, string $cell): Money
    {
        $thousands = $mark === '.' ? ',' : '.';
        $group = preg_quote($thousands, '/');
        $isWhole = preg_match(
            '/^(\d+|\d{1,3}('.$group.'\d{3})+)?('.preg_quote($mark, '/').'\d+)?$/D',
            $this->digits,
        ) === 1 && preg_match('/\d/', $this->digits) === 1;
        $isWhole || throw Refused::because('bad_number', "“{$cell}” is not an amount.");
        $plain = strtr($this->digits, [$thousands => '', $mark => '.']);

        return Money::of(str_starts_with($plain, '.') ? "0{$plain}" : $plain, $currency);
    }
}
