@use('Elmstone\Support\ShopTime')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', $customer->name)
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('customers') }}">Customers</a> / {{ $customer->number }}</p>
    <div class="page-head"><h1>{{ $customer->name }}</h1>
    <span class="soft">{{ $customer->kind->value }} · {{ $customer->type?->name
        ?? 'no type' }}@foreach($tags as $tag) · {{ $tag }}@endforeach</span>
        <div class="end">
            <form method="post" action="{{ route('counter.sell-to', $customer) }}">
            @csrf <button class="quiet-act">Sell to them</button></form>
            @if($hasAccount)<a class="quiet-act"
                href="{{ route('accounts.show', $customer) }}">House account</a>@else @can('manage-accounts')<a
                    class="quiet-act"
                        href="{{ route('accounts.terms', $customer) }}">Open a house account</a>@endcan @endif
            @can('give-credit')<a class="quiet-act"
                href="{{ route('credit-notes.free', $customer) }}">Give credit</a>@endcan
            <a class="quiet-act" href="{{ route('store-credit.show', $customer) }}">Store credit</a>
            <a class="quiet-act" href="{{ route('customers.edit', $customer) }}">Change</a>
            @can('interchange')<a class="quiet-act" href="{{ route('customers.personal', $customer) }}">What is
                kept</a>@endcan
        </div></div>
    @include('design.messages')
    @if($customer->isMerged())<div class="note look">
    <p>Merged into <a
        href="{{ route('customers.show',
            $customer->mergedInto) }}">{{ $customer->mergedInto->name }}, {{ $customer->mergedInto->number }}</a>. What
                stands here is history.</p></div>@endif
    <div class="split">
        <div>
            <h2>What they bought and paid</h2>
            @if($documents->isEmpty())<p class="empty">Nothing yet. A sale with them attached shows up here.</p>@else
            <table class="ruled">
                <thead><tr><th>Number</th><th>Date</th><th>What</th><th>Paid by</th><th>Purchase order</th>
                <th class="figure">Total</th></tr></thead>
                <tbody>@foreach($documents as $document)<tr><td>
                <a class="code" href="{{ route('documents.show', $document) }}">{{ $document->label }}</a></td>
                <td class="text-nowrap">{{ Show::date($document->business_date) }}</td><td>{{ $document->title() }}</td>
                <td>{{ $document->tenders->map(fn ($tender) => $tender->kind->label())->unique()->implode(', ') }}</td>
                <td>{{ $document->purchase_order }}</td>
                <td class="figure">{{ $document->total }}</td></tr>@endforeach</tbody>
            </table>@endif
            @if($bought !== [])
            <h2 class="mt-4">What they buy most often</h2>
            <table class="ruled">
                <thead><tr><th>Code</th><th>Item</th><th class="figure">Times</th><th class="figure">In all</th>
                <th>Last</th></tr></thead>
                <tbody>@foreach($bought as $item)<tr><td>
                <a class="code" href="{{ route('items.show', $item->code) }}">{{ $item->code }}</a></td>
                <td>{{ $item->description }}</td><td class="figure">{{ $item->times }}</td>
                <td class="figure">{{ Show::decimal($item->quantity) }}</td>
                <td class="text-nowrap">{{ Show::date(now()->parse($item->latest)) }}</td></tr>@endforeach</tbody>
            </table>@endif
            @if($customer->contractPrices->isNotEmpty())
            <h2 class="mt-4">Contract prices</h2>
            <table class="ruled">
                <thead><tr><th>Code</th><th>Item</th><th class="figure">Price</th><th class="figure">List</th>
                <th>From</th><th>Until</th></tr></thead>
                <tbody>@foreach($customer->contractPrices as $price)<tr><td class="code">{{ $price->item->code }}</td>
                <td>{{ $price->item->description }}</td><td class="figure"><x-price :of="$price->price"/></td>
                <td class="figure soft"><x-price :of="$price->item->list_price"/></td>
                <td>{{ $price->from_date === null ? '' : Show::date($price->from_date) }}</td>
                <td>{{ $price->until_date === null ? '' : Show::date($price->until_date) }}</td></tr>@endforeach</tbody>
            </table>@endif
            @if($mails->isNotEmpty())
            <h2 class="mt-4">What was mailed</h2>
            <table class="ruled small">@foreach($mails as $mail)<tr>
            <td class="text-nowrap soft">{{ Show::on($mail->sent_at) }}</td><td>{{ $mail->subject }}
            @if($mail->trouble !== '')<br><b class="brick">{{ $mail->trouble }}</b>@endif</td>
            <td class="soft">{{ $mail->recipient }}</td></tr>@endforeach</table>@endif
            @if($changes->isNotEmpty())
            <h2 class="mt-4">Changes on record</h2>
            <table class="ruled small">@foreach($changes as $change)<tr>
            <td class="text-nowrap soft">{{ Show::on($change->changed_at) }}</td><td>{{ $change->by }}</td>
            <td>{{ $change->what }}</td>
            <td>{{ $change->before === '' ? '' : "{$change->before} → " }}{{ $change->after }}</td>
            <td class="soft">{{ $change->reason }}</td></tr>@endforeach</table>@endif
        </div>
        <aside>
            <x-attached of="customer" :id="$customer->id"/>
            <x-rewards :$customer/>
            <x-cards-on-file :$customer/>
            <dl class="facts mb-3">
                @if($customer->phone !== '')<dt>Phone</dt><dd>{{ $customer->phone }}</dd>@endif
                @if($customer->mail !== '')<dt>Mail</dt><dd>{{ $customer->mail }}</dd>@endif
                @if($customer->street.$customer->town !== '')<dt>Address</dt>
                <dd>{{ $customer->street }}<br>{{ $customer->place() }}</dd>@endif
                @foreach($customer->addresses as $address)<dt>{{ $address->label ?: 'Also at' }}</dt>
                <dd>{{ $address->street }}, {{ trim("{$address->postcode} {$address->town}") }}</dd>@endforeach
                <dt>Price level</dt><dd>{{ $customer->type?->priceLevel?->name ?? 'list' }}</dd>
                <dt>Discount</dt>
                <dd>{{ $customer->standingDiscount() === null ? 'none'
                    : Show::decimal($customer->standingDiscount()
                        ->value).' %' }}{{ $customer->discount_percent === null
                            && $customer->standingDiscount() !== null ? ', from the type' : '' }}</dd>
            </dl>
            @if($customer->claimsExemption())
                @php($holds = $customer->isExemptOn(ShopTime::today()))
                <div class="note {{ $holds ? '' : 'stop' }}"><p>
                <strong>{{ $holds ? 'Exempt from'
                    : 'Exemption ran out:' }}</strong> {{ $customer->isExemptFromEverything() ? 'all tax'
                        : implode(', ',
                            array_intersect_key($components,
                                array_flip($customer->exempt))) }}, certificate {{ $customer->certificate }}
                                    {{ $customer->certificate_expires === null ? ''
                                        : 'until '.Show::date($customer->certificate_expires) }}
                    @foreach($scans as $scan)<br>
                    <a href="{{ route('customers.scan', [$customer, $scan->id]) }}">{{ $loop->first ? 'Scan of it'
                        : 'Scan before it' }}</a> <span class="small">{{ Show::on($scan->stored_at) }}</span>@endforeach
                        </p></div>
            @endif
            @if($held->isPositive() || $layaways->isNotEmpty())
                <h2>Waiting for them</h2>
                <table class="ruled small mb-3">@if($held->isPositive())<tr><td>
                <a href="{{ route('deposits.show', $customer) }}">Deposits held</a></td>
                <td class="figure">{{ $held }}</td></tr>@endif
                @foreach($layaways as $layaway)<tr><td>
                <a href="{{ route('layaways.show', $layaway->label) }}">{{ $layaway->label }}</a> <span
                    class="soft">{{ $layaway->state === 'ready' ? 'to collect'
                        : ($layaway->next_due === null ? ''
                            : 'next '.Show::date(now()->parse($layaway->next_due))) }}</span></td>
                            <td class="figure">{{
                                Show::money($house->money((int) $layaway->total - (int) $layaway->held)) }} left</td>
                    </tr>@endforeach</table>
            @endif
            @if($customer->contacts->isNotEmpty())
                <h2>People</h2>
                <table class="ruled small mb-3">@foreach($customer->contacts as $contact)<tr>
                <td @class(['soft' => ! $contact->active])>{{ $contact->name }}<br>
                <span class="soft">{{ trim("{$contact->phone} {$contact->mail}") }}</span></td>
                <td class="text-end">{{ ! $contact->active ? 'not any more'
                    : ($contact->may_buy
                        ? ($contact->spending_limit === null ? 'may buy'
                            : 'up to '.Show::money($contact->spending_limit)) : 'may not buy') }}</td>
                            </tr>@endforeach</table>
            @endif
            <h2>Notes for the next clerk</h2>
            @foreach($customer->notes as $note)
                <div class="note">
                <p>“{{ $note->text }}” <span
                    class="small soft">{{ $note->staff->name }}, {{ Show::on($note->written_at) }}{{ $note->at_counter
                        ? ' · shown at the counter' : '' }}</span></p>
                    @if(! $note->at_counter || auth()->user()->mayDo(Elmstone\Staff\Ability::TakeWarningsAway))
                    <form method="post" action="{{ route('customers.note-gone', [$customer, $note->id]) }}">
                    @csrf <button class="link-act">Put away</button></form>@endif</div>
            @endforeach
            <form method="post" action="{{ route('customers.note', $customer) }}" class="mb-3">@csrf
                <textarea class="form-control mb-1" name="text" rows="2" maxlength="500" placeholder="a note"
                    aria-label="Note">{{ old('text') }}</textarea>
                <div class="d-flex justify-content-between align-items-center">
                <label class="d-flex gap-2 align-items-center small"><input class="form-check-input m-0"
                    type="checkbox" name="at_counter" value="1" checked> show at the counter</label><button
                        class="quiet-act">Keep</button></div>
            </form>
            @can('manage-accounts')
                @unless($customer->isMerged())
                <details class="small"><summary class="soft">Is this the same as another customer?</summary>
                    <form method="get" action="{{ route('customers.merge.preview', $customer) }}" class="mt-2">
                        <label for="into" class="small soft">Merge into customer number</label>
                        <div class="d-flex gap-2">
                        <input class="form-control" id="into" name="into" inputmode="numeric" size="8"
                            value="{{ old('into') }}"><button class="quiet-act text-nowrap">Merge</button></div>
                        <p class="soft mt-1">
                        What is open and the notes go over; documents keep the name they were made with.</p>
                    </form></details>
                @endunless
            @endcan
        </aside>
    </div>
</div>
@endsection
