<?php

declare(strict_types=1);

namespace Elmstone\Counter\Slip;

use Elmstone\Books\Drafts\PostedAt;
use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Till;
use Elmstone\Staff\Approvals\GivenApproval;
use Elmstone\Staff\Staff;
use Ramsey\Uuid\Uuid;

/**
 * One thing a clerk does to a slip: who, at which till, having seen which version, and a key that makes it happen once.
 */
final readonly class Act
{
    /** @param  int|null  $version the version on the page; null where it does not matter, as when adding */
    public function __construct(
        public string $key,
        public Staff $by,
        public Till $till,
        public ?int $version,
        public ?GivenApproval $approval = null,
    ) {
    }

    /**
     * The approval that was given with it.
     *
     * @throws Refused approval_missing
     */
    public function given(): GivenApproval
    {
        return $this->approval
            ?? throw Refused::because('approval_missing', 'Type the approver’s staff number, PIN and the reason.');
    }

    /** Where, when and by whom a slip is posted by it: at the slip's own location, on its day. Asked once. */
    public function postedAt(Slip $slip): PostedAt
    {
        return $slip->postedAt ??= PostedAt::till($this->till, $this->by->id, $slip->day())->of($slip->location_id);
    }

    /** A step that follows from it, of its own key; whatever version the slip has by then. */
    public function then(string $step): self
    {
        return new self(
            Uuid::uuid5(Uuid::fromString($this->key), $step)->toString(),
            $this->by,
            $this->till,
            null,
            $this->approval,
        );
    }

    /** The same, with an approval that was given. */
    public function with(?GivenApproval $approval): self
    {
        return new self($this->key, $this->by, $this->till, $this->version, $approval);
    }
}
