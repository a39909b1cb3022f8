<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Tables;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Receivables\Accounts\AccountTerms;
use Elmstone\Receivables\Accounts\HouseAccount;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shop\House;

/** What a row of a table makes of a house account: of one there is, what the row does not speak of stays. */
final readonly class TermsOfRow
{
    public function __construct(private House $house)
    {
    }

    /**
     * @return AccountTerms|null null: no account is asked for, or nothing of it is changed
     *
     * @throws Refused bad_limit, bad_terms
     */
    public function of(CustomerRow $row, ?HouseAccount $account): ?AccountTerms
    {
        $says = $row->says('limit') || $row->says('terms') || $row->says('terms_days');

        if (! $says || ($account === null && $row->cell('limit') === '')) {
            return null;
        }

        $terms = new AccountTerms(
            $this->limit($row, $account),
            self::kind($row, $account),
            self::days($row, $account),
            $account?->discount_percent?->toString(),
            $account->discount_days ?? 0,
            $account->allowed_overdue_days ?? 15,
            $account->purchase_order_required ?? false,
            $account->statement_kind ?? StatementKind::OpenItem,
            $account->statement_way ?? ($row->cell('mail') === '' ? StatementWay::Print : StatementWay::Mail),
            $account->finance_charges ?? true,
            $account?->buyer,
            $account->letters ?? true,
        );
        $terms->terms();

        return $terms;
    }

    private function limit(CustomerRow $row, ?HouseAccount $account): Money
    {
        $limit = $row->cell('limit') === ''
            ? $account->credit_limit ?? $this->house->money(0)
            : $this->house->fitting(Money::of(TypedNumber::plain($row->cell('limit')), $this->house->currency()));

        return $limit->isNegative()
            ? throw Refused::because('bad_limit', 'A limit cannot be below zero.')
            : $limit;
    }

    private static function kind(CustomerRow $row, ?HouseAccount $account): TermsKind
    {
        $kind = $row->says('terms') ? $row->cell('terms') : $account->terms_kind->value ?? 'net';

        return TermsKind::tryFrom($kind) ?? throw Refused::because(
            'bad_terms',
            "“{$kind}” is not a kind of terms; known are net, after_month_end, day_of_next_month, at_once.",
        );
    }

    private static function days(CustomerRow $row, ?HouseAccount $account): int
    {
        $days = $row->says('terms_days') ? $row->cell('terms_days') : (string) ($account->terms_days ?? 30);

        return ctype_digit($days)
            ? (int) $days
            : throw Refused::because('bad_terms', "“{$days}” is not a number of days.");
    }
}
