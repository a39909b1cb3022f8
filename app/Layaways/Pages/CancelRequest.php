<?php

declare(strict_types=1);

namespace Elmstone\Layaways\Pages;

use Elmstone\Core\Settlement\TenderKind;
use Elmstone\Layaways\CancelOrder;
use Elmstone\Shop\House;
use Elmstone\Staff\Approvals\GivenApproval;
use Illuminate\Foundation\Http\FormRequest;

/** A cancellation as it was typed. */
final class CancelRequest extends FormRequest
{
    private const WAYS = [
        TenderKind::Cash, TenderKind::Card, TenderKind::Cheque, TenderKind::BankTransfer, TenderKind::GiftCard,
        TenderKind::DepositHeld,
    ];

    /** @return array<string, array<mixed>> */
    public function rules(): array
    {
        return [
            'version' => ['required', 'integer'],
            'reason' => ['required', 'string', 'max:200'],
            'back' => ['array'],
            'reference' => ['nullable', 'string', 'max:60'],
            'waive' => ['boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['reason.required' => 'Say why it is cancelled: the reason is kept.'];
    }

    public function order(?GivenApproval $approval): CancelOrder
    {
        $back = [];

        foreach (self::WAYS as $way) {
            $amount = app(House::class)->typedMoney($this->string("back.{$way->value}")->value());

            if ($amount !== null) {
                $back[$way->value] = $amount;
            }
        }

        return new CancelOrder(
            $back,
            $this->string('reason')->trim()->value(),
            $this->string('reference')->trim()->value(),
            $this->boolean('waive'),
            $approval,
            $this->integer('version'),
        );
    }
}
