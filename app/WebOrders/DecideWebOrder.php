<?php

declare(strict_types=1);

namespace Elmstone\WebOrders;

use Elmstone\Core\Money\Refused;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Staff;
use Elmstone\WebOrders\Ubl\ReadOrder;
use Illuminate\Support\Facades\DB;

/** A person takes an order that could not be taken as it came, with what they decided, or refuses it. */
final readonly class DecideWebOrder
{
    public function __construct(private MatchOrder $match, private AcceptOrder $accept)
    {
    }

    /** How it stands with what is decided so far. */
    public function matched(WebOrder $web, ?Decisions $decisions = null): Matched
    {
        return $this->match->of(ReadOrder::of($web->xml), $web->sender, $decisions);
    }

    /** @throws Refused changed_elsewhere, still_problems, and what AcceptOrder refuses */
    public function take(
        int $id,
        int $version,
        Decisions $decisions,
        Staff $by,
        ?GivenApproval $given = null,
    ): WebOrder {
        return DB::transaction(function () use ($id, $version, $decisions, $by, $given): WebOrder {
            $web = $this->lock($id, $version);
            $matched = $this->matched($web, $decisions);
            $problem = $matched->problems[0] ?? null;
            $problem === null || throw Refused::because('still_problems', $problem->words);
            $matched->lines === [] && throw Refused::because('still_problems', 'Nothing of it is left to take.');
            $order = $this->accept->handle($web, $matched, $by, $given);
            ReceiveWebOrder::taken($web, $matched, $order->id);
            $web->forceFill(['decided_by' => $by->id, 'decided_at' => now()])->save();

            return $web;
        }, 3);
    }

    /** @throws Refused changed_elsewhere, reason_missing */
    public function refuse(int $id, int $version, string $why, Staff $by): WebOrder
    {
        $why !== '' || throw Refused::because('reason_missing', 'Say why: they are told.');

        return DB::transaction(function () use ($id, $version, $why, $by): WebOrder {
            $web = $this->lock($id, $version);
            $web
                ->forceFill([
                    'state' => WebOrderState::Refused,
                    'refused_why' => mb_substr($why, 0, 255),
                    'decided_by' => $by->id,
                    'decided_at' => now(),
                    'version' => $web->version + 1,
                ])
                ->save();

            return $web;
        });
    }

    private function lock(int $id, int $version): WebOrder
    {
        $web = WebOrder::query()->whereKey($id)->lockForUpdate()->firstOrFail();
        $web->load(['sender.location', 'sender.staff']);
        $web->isToLookAt() && $web->version === $version || throw Refused::because(
            'changed_elsewhere',
            "Somebody has decided on {$web->number} meanwhile: it is {$web->state->words()}.",
        );

        return $web;
    }
}
