<?php

declare(strict_types=1);

namespace Elmstone\Counter\Page;

use Elmstone\Core\Money\Refused;
use Elmstone\Customers\Customer;
use Elmstone\Customers\PossibleDuplicate;
use Illuminate\Support\HtmlString;

/** What was refused, where it was typed, and what was typed: it stands beside the field until it is mended. */
final readonly class Complaint
{
    private const APPROVABLE = [
        'needs_approval', 'one_off', 'card_off_line', 'over_refund_limit', 'outside_policy', 'other_way',
        'own_approval', 'beyond_approver', 'wrong_pin', 'locked', 'may_not_approve', 'reason_missing',
    ];

    private function __construct(
        private string $field,
        private string $rule,
        private string $message,
        private string $typed,
        private ?Refused $refused = null,
    ) {
    }

    public static function none(): self
    {
        return new self('', '', '', '');
    }

    public static function about(string $field, Refused $refused, string $typed): self
    {
        return new self($field, $refused->rule, $refused->getMessage(), $typed, $refused);
    }

    public function exists(): bool
    {
        return $this->field !== '';
    }

    public function isOf(string $rule): bool
    {
        return $this->rule === $rule;
    }

    public function on(string $field): bool
    {
        return $this->field === $field;
    }

    /** Whether it is about any field whose name starts so. */
    public function within(string $prefix): bool
    {
        return str_starts_with($this->field, $prefix);
    }

    public function field(): string
    {
        return $this->field;
    }

    public function message(): string
    {
        return $this->message;
    }

    /** What was typed into the field, or what stands there anyway. */
    public function typedOr(string $field, string $otherwise): string
    {
        return $this->on($field) ? $this->typed : $otherwise;
    }

    /** For a field that shows what was refused: what holds, as an attribute of it. */
    public function holds(string $field, string $holds): HtmlString
    {
        return new HtmlString($this->on($field) ? 'data-holds="'.e($holds).'"' : '');
    }

    /** @return list<Customer> who may be meant, where a new customer is like them */
    public function duplicates(): array
    {
        return $this->refused instanceof PossibleDuplicate ? array_values($this->refused->found->all()) : [];
    }

    public function isApprovable(): bool
    {
        return in_array($this->rule, self::APPROVABLE, true);
    }
}
