<?php

declare(strict_types=1);

namespace Elmstone\Receivables\Accounts;

use Elmstone\Core\Money\Money;
use Elmstone\Core\Money\Refused;
use Elmstone\Core\Money\TypedNumber;
use Elmstone\Core\Receivables\TermsKind;
use Elmstone\Receivables\Statements\StatementKind;
use Elmstone\Receivables\Statements\StatementWay;
use Elmstone\Shop\House;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Validator;

/** A house account's terms as typed. */
final class AccountTermsRequest extends FormRequest
{
    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'credit_limit' => ['required', 'string', 'max:20'],
            'terms_kind' => ['required', Rule::enum(TermsKind::class)],
            'terms_days' => ['nullable', 'integer', 'min:0', 'max:365'],
            'discount_percent' => ['nullable', 'regex:/^\d{1,2}([.,]\d{1,4})?$/'],
            'discount_days' => ['nullable', 'integer', 'min:0', 'max:365'],
            'allowed_overdue_days' => ['required', 'integer', 'min:0', 'max:365'],
            'statement_kind' => ['required', Rule::enum(StatementKind::class)],
            'statement_way' => ['required', Rule::enum(StatementWay::class)],
            'buyer' => ['nullable', Rule::in(['optional', 'named'])],
            'reason' => ['nullable', 'string', 'max:255'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'credit_limit.required' => 'Type the limit; 0 means nothing may be charged without approval.',
            'terms_days.*' => 'Days are a whole number from 0 to 365.',
            'discount_percent.regex' => 'A settlement discount is a percentage such as 2 or 2.5.',
            'discount_days.*' => 'Days are a whole number from 0 to 365.',
            'allowed_overdue_days.*' => 'How many days late may the oldest item be? A whole number from 0 to 365.',
        ];
    }

    /** @return list<callable(Validator): void> */
    public function after(): array
    {
        return [
            function (Validator $validator): void {
                if ($validator->errors()->isNotEmpty()) {
                    return;
                }

                $last = TermsKind::tryFrom($this->string('terms_kind')->value()) === TermsKind::AtOnce
                        ? 0
                        : $this->integer('terms_days');

                if ($this->filled('discount_percent') && $this->integer('discount_days') > $last) {
                    $validator
                        ->errors()
                        ->add(
                            'discount_days',
                            $last === 0
                                ? 'What is due at once has no days for a discount.'
                                : 'A discount for paying early cannot run beyond the day it is due: at '
                                    ."most {$last} days.",
                        );
                }

                try {
                    $this->terms()->terms();
                } catch (Refused $refused) {
                    $validator
                        ->errors()
                        ->add(
                            in_array($refused->rule, ['bad_amount', 'bad_number', 'bad_limit', 'too_large'], true)
                                ? 'credit_limit'
                                : 'terms_days',
                            $refused->getMessage(),
                        );
                }
            },
        ];
    }

    public function terms(): AccountTerms
    {
        $limit = app(House::class)->fitting(
            Money::of(TypedNumber::plain($this->string('credit_limit')->value()), app(House::class)->currency()),
        );

        return new AccountTerms(
            $limit->isNegative() ? throw Refused::because('bad_limit', 'A limit cannot be below zero.') : $limit,
            TermsKind::from($this->string('terms_kind')->value()),
            $this->integer('terms_days'),
            $this->filled('discount_percent') ? TypedNumber::plain($this->string('discount_percent')->value()) : null,
            $this->integer('discount_days'),
            $this->integer('allowed_overdue_days'),
            $this->boolean('purchase_order_required'),
            StatementKind::from($this->string('statement_kind')->value()),
            StatementWay::from($this->string('statement_way')->value()),
            $this->boolean('finance_charges'),
            $this->filled('buyer') ? $this->string('buyer')->value() : null,
            $this->boolean('letters'),
        );
    }
}
