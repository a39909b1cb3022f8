<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

use Elmstone\Core\Money\Refused;
use Illuminate\Http\Request;

/** What was typed into an approval field: who approves, their PIN, and the reason. */
final readonly class ApprovalAsk
{
    public function __construct(
        public string $number,
        #[\SensitiveParameter] public string $pin,
        public string $reason,
    ) {
    }

    /** Null when nothing was typed. */
    public static function from(Request $request): ?self
    {
        $ask = new self(
            trim($request->string('approver')->value()),
            $request->string('approver_pin')->value(),
            trim($request->string('approver_reason')->value()),
        );

        return $ask->number === '' && $ask->pin === '' ? null : $ask;
    }

    /** @throws Refused reason_missing */
    public function assertReason(): void
    {
        if ($this->reason === '') {
            throw Refused::because('reason_missing', 'Say why: the reason is kept with the approval.');
        }
    }
}
