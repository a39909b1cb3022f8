<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Percentage;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Receivables\Terms;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementWay;

/** What a house account is opened or changed with. */
final readonly class AccountTerms
{
    /**
     * @param  string|null  $buyer optional or named; null: named where anybody of theirs has a limit
     */
    public function __construct(
        public Money $limit,
        public TermsKind $kind,
        public int $days,
        public ?string $discountPercent,
        public int $discountDays,
        public int $allowedOverdueDays,
        public bool $purchaseOrderRequired,
        public StatementKind $statementKind,
        public StatementWay $statementWay,
        public bool $financeCharges,
        public ?string $buyer = null,
        public bool $letters = true,
    ) {
    }

    /** @throws Refused bad_terms, bad_percent */
    public function terms(): Terms
    {
        return Terms::of(
            $this->kind,
            $this->days,
            $this->discountPercent === null ? null : Percentage::of($this->discountPercent),
            $this->discountDays,
        );
    }

    /** @return array<string, mixed> */
    public function columns(): array
    {
        $terms = $this->terms();

        return [
            'credit_limit' => $this->limit,
            'terms_kind' => $terms->kind,
            'terms_days' => $terms->days,
            'discount_percent' => $terms->discount?->toString(),
            'discount_days' => $terms->discount === null ? 0 : $terms->discountDays,
            'allowed_overdue_days' => $this->allowedOverdueDays,
            'purchase_order_required' => $this->purchaseOrderRequired,
            'statement_kind' => $this->statementKind,
            'statement_way' => $this->statementWay,
            'finance_charges' => $this->financeCharges,
            'letters' => $this->letters,
            'buyer' => $this->buyer,
            // New terms open an account again that was closed.
            'closed_on' => null,
        ];
    }
}
