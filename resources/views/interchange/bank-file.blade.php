@use('Elmstone\Core\Money\Money')
@use('Elmstone\Support\Show')
@use('Elmstone\Interchange\Bank\BankDay')
@use('Elmstone\Interchange\Bank\BankEntryKind')
@extends('layout')
@section('title', 'Bank file')
@section('main')
<div class="page">
    <p class="small soft mb-1">
    <a href="{{ route('accounts') }}">Accounts</a> / <a href="{{ route('bank') }}">Bank files</a></p>
    <div class="page-head"><div><h1>{{ $file->name }}</h1>
    <p class="soft mb-0">{{ $file->format }}{{ $file->statement === '' ? ''
        : ", statement {$file->statement}" }} · {{ (int) $counts->came }} payments,
            {{ $house->money((int) $counts->sum) }} {{ $house->currency()->code }}
        · {{ (int) $counts->open }} open, {{ (int) $counts->posted }} posted{{ (int) $counts->aside > 0
            ? ', '.(int) $counts->aside.' set aside' : '' }}{{ (int) $counts->noted > 0
                ? ', '.(int) $counts->noted.' with nothing to do' : '' }}</p></div>
        <div class="end"><button class="main-act narrow" form="post-all"><span>Post what is ticked</span></button></div>
        </div>
    @include('design.messages')
    <form id="post-all" method="post" action="{{ route('bank.post', $file->id) }}">@csrf</form>
    <table class="ruled bank-entries">
        <thead><tr><td></td><th>Booked</th><th>Payer and what it says</th><th class="figure">Amount</th>
        <th>From account</th><th>What speaks for it</th><th>Goes on</th></tr></thead>
        <tbody>
        @foreach($entries as $entry)
            @php($doubts = [...$entry->speaksAgainst(), ...$twins[$entry->id] ?? []])
            @php($day = BankDay::of($entry->booked_on, $location))
            <tr id="entry-{{ $entry->id }}" @class(['soft' => $entry->state === 'noted' || $entry->state === 'aside'])>
                <td>@if($entry->isPayment())<input class="form-check-input m-0" type="checkbox" form="post-all"
                    name="entries[]" value="{{ $entry->id }}" aria-label="Post payment {{ $entry->position }}"
                        @checked($entry->sure && $doubts === [])
                            @disabled($entry->customer_id === null)>@elseif($entry->state === 'posted')<span
                                class="verdigris" title="posted">✓</span>@endif</td>
                <td class="text-nowrap">{{ $entry->booked_on === null ? '–'
                    : Show::date($entry->booked_on) }}@if($entry->isPayment() && $entry->booked_on !== null
                        && ! $day->isSameDay($entry->booked_on))<br>
                        <span class="small ochre">closed; posted on {{ $day->format('j M') }}</span>@endif</td>
                <td>{{ $entry->payer }}@if($entry->payer !== '' && $entry->reference !== '')<br>
                @endif<span class="small">{{ $entry->reference }}</span>@if($entry->trouble !== '')<br>
                <span class="small brick">{{ $entry->trouble }}</span>@endif</td>
                <td class="figure">{{ $entry->kind === BankEntryKind::Unread ? '–'
                    : Show::money($entry->kind === BankEntryKind::Returned ? $entry->amount->negated()
                        : $entry->amount) }}</td>
                @if($entry->kind === BankEntryKind::In)
                <td>@if($entry->isPayment())
                        <form class="d-flex gap-1" method="post"
                            action="{{ route('bank.assign', [$file->id, $entry->id]) }}">
                            @csrf<input class="form-control assign" name="customer" size="6" placeholder="account"
                                aria-label="Account of payment {{ $entry->position }}"
                                    value="{{ $entry->customer?->number }}">
                        <button class="link-act">set</button></form>@endif
                    @if($entry->customer !== null)<a
                        href="{{ route('accounts.show',
                            $entry->customer) }}">{{ $entry->customer->name }}</a>@else<span
                                class="ochre small">nobody known by this; type the account</span>@endif</td>
                <td class="small">{{ implode('; ', $entry->speaksFor()) }}@foreach($doubts as $doubt)<span
                    class="ochre d-block">against: {{ $doubt }}</span>@endforeach</td>
                @else
                <td colspan="2">{{ ucfirst($entry->kind->words()) }}@if($entry->customer !== null): <a
                    href="{{ route('accounts.show', $entry->customer) }}">{{ $entry->customer->name }}</a>@endif</td>
                @endif
                <td class="small">
                    @if($entry->document !== null)<a class="code"
                        href="{{ route('documents.show', $entry->document) }}">{{ $entry->document->label }}</a>
                    @elseif($entry->state === 'aside')set aside: {{ $entry->aside_because }} <a
                        href="{{ route('bank.entry', [$file->id, $entry->id]) }}">open</a>
                    @elseif($entry->kind === BankEntryKind::Returned)<a
                        href="{{ route('bank.entry', [$file->id, $entry->id]) }}">find its payment</a>
                    @elseif($entry->kind === BankEntryKind::Unread)<a
                        href="{{ route('bank.entry', [$file->id, $entry->id]) }}">look at it</a>
                    @elseif($entry->state === 'noted')nothing to do
                    @else
                        @if($entry->customer === null)@isset($lodgements[$entry->id])
                            <form method="post" action="{{ route('bank.meet', [$file->id, $entry->id]) }}">@csrf<input
                                type="hidden" name="lodgement" value="{{ $lodgements[$entry->id]->id }}"><button
                                class="link-act">{{ $lodgements[$entry->id]->words() }} {{
                                    $lodgements[$entry->id]->document->label }}: post it so</button></form>@else<span
                            class="soft">–</span>@endisset
                        @elseif($entry->shares === null)oldest due first @else
                                @foreach($entry->shares as $label => $share)<span class="text-nowrap"><span
                                    class="code">{{ $label }}</span> {{ $share }}</span>{{
                                    $loop->last ? '' : ', ' }}@endforeach
                                @php($left = $entry->amount->minus(Money::sum($entry->shares, $house->currency())))
                                @if($entry->discount->isPositive())<span class="verdigris">, less
                                    {{ $entry->discount }} discount</span>@endif
                                @if($left->isPositive())<span class="ochre">; {{ $left }} stays as
                                    credit</span>@endif
                        @endif
                        <a class="text-nowrap"
                            href="{{ route('bank.entry', [$file->id, $entry->id]) }}">spread or set aside</a>
                    @endif
                </td>
            </tr>
        @endforeach
        </tbody>
    </table>
    {{ $entries->links() }}
</div>
@endsection
