<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post\Steps;

use Elmstone\Counter\Post\SlipPosting;
use Elmstone\Counter\Post\Step;
use Elmstone\Counter\Settle\PayerSigns;
use Elmstone\Paper\PaymentSignature;
use Elmstone\Shop\House;

/** What the payer signed is kept with what they paid. */
final readonly class KeepSignature extends Step
{
    public function __construct(private House $house)
    {
    }

    public function post(SlipPosting $posting): void
    {
        $signed = PayerSigns::of($posting->slip(), $posting->reckoned, $this->house)->signed;
        $document = $posting->sale ?? $posting->receipt;

        if ($signed !== null && $document !== null) {
            PaymentSignature::query()->create([
                'document_id' => $document,
                'amount' => $signed->amount,
                'signature' => $signed->signature,
                'signed_by' => $signed->signed_by,
                'signed_at' => $signed->signed_at,
            ]);
        }
    }
}
