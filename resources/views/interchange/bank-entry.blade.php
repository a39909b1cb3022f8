@use('Elmstone\Support\Show')
@use('Elmstone\Interchange\Bank\BankEntryKind')
@extends('layout')
@section('title', 'Payment from the bank')
@section('main')
<div class="page">
    <p class="small soft mb-1">
    <a href="{{ route('accounts') }}">Accounts</a> / <a href="{{ route('bank') }}">Bank files</a> / <a
        href="{{ route('bank.file', $file->id) }}#entry-{{ $entry->id }}">{{ $file->name }}</a></p>
    <div class="page-head"><div>
    <h1>{{ $entry->kind === BankEntryKind::Unread ? 'An entry that could not be read'
        : Show::money($entry->amount).' '.$house->currency()->code.($entry->payer === '' ? ''
            : ' from '.$entry->payer) }}</h1>
        <p class="soft mb-0">{{ ucfirst($entry->kind->words()) }}@if($entry->booked_on !== null), booked
            {{ Show::date($entry->booked_on) }}@if($entry->isPayment()
                && ! $day->isSameDay($entry->booked_on)), posted on {{ Show::date($day) }}@endif @endif</p></div></div>
    @include('design.messages')
    <p class="mb-2">{{ $entry->reference === '' ? 'It says nothing.' : $entry->reference }}</p>
    @if($entry->trouble !== '')<p class="brick">{{ $entry->trouble }}</p>@endif
    @foreach($entry->speaksFor() as $word)<p class="small mb-0">for: {{ $word }}</p>@endforeach
    @foreach([...$entry->speaksAgainst(), ...$twins] as $word)<p class="small ochre mb-0">against: {{ $word }}</p>
    @endforeach

    @if($entry->isPayment())
        <form class="filters mt-3" method="post" action="{{ route('bank.assign', [$file->id, $entry->id]) }}">
        @csrf<input type="hidden" name="stay" value="1">
            <div><label for="customer">From account</label><input class="form-control" id="customer" name="customer"
                value="{{ $entry->customer?->number }}" placeholder="number or name" @if($items === null) autofocus
                    @endif></div>
            <button class="quiet-act">{{ $entry->customer === null ? 'Set'
                : 'Change' }}</button>@if($entry->customer !== null)<span class="align-self-center"><a
                    href="{{ route('accounts.show', $entry->customer) }}">{{ $entry->customer->name }}</a></span>@endif
        </form>
        @if($items !== null)
            <form method="post" action="{{ route('bank.spread', [$file->id, $entry->id]) }}" autocomplete="off">@csrf
                <table class="ruled narrow-table">
                    <thead><tr><th>Open item</th><th>Dated</th><th>Due</th><th class="figure">Open</th>
                    <th class="figure">This payment</th></tr></thead>
                    <tbody>
                    @php($values = $items->values())
                    @forelse($items->records as $i => $item)
                        <tr><td><a class="code"
                            href="{{ route('documents.show', $item->label) }}">{{ $item->label }}</a></td>
                            <td>{{ Show::date($item->business_date) }}</td>
                            <td>{{ Show::date($item->due_date) }} @if($values[$i]->discount->isPositive())<span
                                class="small ochre">{{ Show::money($values[$i]
                                    ->discount) }} off on {{ $day->format('j M') }}</span>@endif</td>
                            <td class="figure">{{ $values[$i]->open }}</td>
                            <td class="figure">
                            <input class="form-control text-end part" name="on[{{ $item->label }}]" inputmode="decimal"
                                placeholder="–" aria-label="On {{ $item->label }}"
                                    value="{{ old("on.{$item->label}", isset($entry->shares[$item->label])
                                        ? $entry->shares[$item->label]->toString() : '') }}"></td></tr>
                    @empty<tr><td colspan="5" class="empty">Nothing is open. What comes in stays as unused credit.</td>
                    </tr>@endforelse
                    </tbody>
                </table>
                <div class="d-flex gap-2 mt-2">
                <button class="main-act narrow" name="how" value="hand">Spread it so</button><button class="quiet-act"
                    name="how" value="oldest">Oldest due first</button><span
                        class="soft small align-self-center">nothing is posted by that</span></div>
            </form>
        @endif
    @endif

    @if($lodgements !== [])
        <h2 class="mt-3">Or it is what was paid in, or paid out for cards</h2>
        <form class="filters" method="post" action="{{ route('bank.meet', [$file->id, $entry->id]) }}">@csrf
            <div><label for="lodgement">On its way to the bank</label><select class="form-select" id="lodgement"
                name="lodgement">@foreach($lodgements as $one)<option value="{{ $one->id }}">{{ $one->document->label }}
                · {{ $one->words() }} of {{ Show::date($one->made_on) }} · {{ $one->onTheWay() }}</option>@endforeach
                </select></div>
            <button class="quiet-act">Post it as the credit of that</button></form>
    @endif

    @if($entry->kind === BankEntryKind::Returned && $entry->state === 'open')
        <h2 class="mt-3">Which payment came back?</h2>
        <form method="post" action="{{ route('bank.take-back', [$file->id, $entry->id]) }}" autocomplete="off">@csrf
            @if($proposals === [])
            <p class="empty">No payment by transfer has this amount. Type the number of its receipt.</p>@endif
            @foreach($proposals as [$document, $why])
                <div class="form-check">
                <input class="form-check-input" type="radio" name="document" id="doc-{{ $document->id }}"
                    value="{{ $document->label }}" @checked($loop->first && count($why) > 1)>
                    <label class="form-check-label" for="doc-{{ $document->id }}"><span
                        class="code">{{ $document->label }}</span> of {{ Show::date($document->business_date) }},
                            {{ $document->customer_name }} <span
                                class="small soft">{{ implode('; ', $why) }}</span></label></div>
            @endforeach
            <div class="filters mt-2">
                @if($proposals === [])<div>
                <label for="document">Receipt</label><input class="form-control" id="document" name="document"
                    placeholder="RCT-000000" autofocus></div>@endif
                <div><label for="fee">Fee charged for it</label><input class="form-control" id="fee" name="fee"
                    inputmode="decimal" value="{{ old('fee', $fee->isZero() ? '' : $fee->toString()) }}"></div>
                <button class="main-act narrow">Take the payment back</button></div>
        </form>
    @endif

    @if(in_array($entry->state, ['open', 'aside'], true))
        <h2 class="mt-3">{{ $entry->state === 'aside' ? 'Set aside' : 'Set it aside' }}</h2>
        <form class="filters" method="post" action="{{ route('bank.aside', [$file->id, $entry->id]) }}">@csrf
            @if($entry->state === 'aside')<span class="align-self-center">{{ $entry->aside_because }}</span><button
                class="quiet-act">Take it up again</button>
            @else<div><label for="reason">Why</label><input class="form-control" id="reason" name="reason"
                maxlength="255" value="{{ old('reason') }}"></div><button class="quiet-act">Set aside</button>@endif
        </form>
    @endif
</div>
@endsection
