@use('Elmstone\Catalogue\Markdowns\Steps')
@use('Elmstone\Core\Pricing\MarkdownStep')
@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Markdowns')
@section('main')
@php($total = array_sum($counts))
<div class="page">
    <div class="page-head"><h1>Markdowns by age</h1>
        <span class="soft text-nowrap">{{ Show::date($today) }} · {{ $house->currency()->code }}</span>
        <div class="end text-nowrap">
            <form class="d-inline" method="post" action="{{ route('markdowns.anew') }}">@csrf
                <button class="link-act">Work out anew</button></form>
            @if($markedToday > 0)<a class="link-act ms-3" href="{{ route('labels', ['from' => 'markdowns']) }}">Labels
                of today’s {{ number_format($markedToday) }}</a>@endif
            @if($marked > 0)<a class="link-act ms-3" href="{{ route('markdowns.marked') }}">{{ number_format($marked) }}
                marked down now</a>@endif
            @if($proposals->isNotEmpty())<button class="main-act narrow ms-3" form="take-markdowns">Take these
                prices</button>@endif</div></div>
    @include('design.messages')
    @if(count($counts) > 1)<nav class="narrow-by mb-2" aria-label="By department">
        <a href="{{ route('markdowns') }}" @if($department === 0) aria-current="true" @endif>All
            <span class="soft">{{ number_format($total) }}</span></a>
        @foreach($departments->only(array_keys($counts)) as $one)<a
            href="{{ route('markdowns', ['department' => $one->id]) }}"
                @if($department === $one->id) aria-current="true" @endif>{{ $one->name }}
                    <span class="soft">{{ number_format($counts[$one->id]) }}</span></a>@endforeach</nav>@endif
    @if($proposals->isEmpty())
        <p class="empty">{{ $steps === [] ? 'No department has steps yet: say below when its goods get cheaper.'
            : 'Nothing is old enough for another price today.' }}</p>
    @else
    <form method="post" action="{{ route('markdowns.take') }}" id="take-markdowns">@csrf
        <input type="hidden" name="version" value="{{ $version }}">
        <input type="hidden" name="department" value="{{ $department }}">
        <table class="ruled">
            <thead><tr><td></td><th>Code</th><th>Description</th><th class="figure">Days here</th>
            <th class="figure">On hand</th><th class="figure">List</th><th class="figure">Now</th>
            <th class="figure">New price</th><th>Why</th>@can('see-margin')<th class="figure">Lowest accepted</th>
            <th class="figure">Margin</th>@endcan</tr>
            </thead>
            <tbody>
            @foreach($proposals as $one)@php($item = $one->item)
                @php($new = $one->price)
                <tr><td><input type="hidden" name="shown[]" value="{{ $item->id }}"><input class="form-check-input m-0"
                    type="checkbox" name="take[]" value="{{ $item->id }}" checked
                        aria-label="Take the new price of {{ $item->description }}"></td>
                <td class="code"><a href="{{ route('items.show', $item) }}">{{ $item->code }}</a></td>
                <td>{{ $item->description }}</td>
                <td class="figure">{{ number_format($one->days) }}</td>
                <td class="figure">{{ Show::decimal($one->on_hand) }}</td>
                <td class="figure">{{ Show::price($item->list_price) }}</td>
                <td class="figure soft">{{ $item->marked_price === null ? 'list'
                    : Show::price($item->marked_price) }}</td>
                <td class="figure fw-bold">{{ $new === null ? 'list' : Show::price($new) }}</td>
                <td class="small soft">{{ match (true) {
                    $new === null => 'no step reached any more',
                    $one->held_by_floor => 'held at the lowest',
                    default => "{$steps[$one->department_id]->steps[$one->step - 1]->percent->toString()} % off",
                } }}</td>
                @can('see-margin')@php($earned = $margin->at($item, $new ?? $item->list_price))
                <td class="figure soft">{{ $item->floor_price === null ? '–' : Show::price($item->floor_price) }}</td>
                <td class="figure {{ $earned->amount->isNegative() ? 'brick' : '' }}">{{ $earned->amount->isNegative()
                    ? 'below cost' : ($earned->percent() ?? '–').' %' }}</td>@endcan
                </tr>
            @endforeach
            </tbody>
        </table>
        <p class="mt-3 soft small">@if($proposals->hasPages())All {{ number_format($department === 0 ? $total
                : $counts[$department] ?? 0) }} of the list, also those of its other pages. @endif What is not ticked
                stays as it is. A price ends by itself when goods come in.</p>
    </form>
    {{ $proposals->links() }}
    @endif
    <h2 class="mt-5">When goods get cheaper</h2>
    <table class="ruled markdown-steps">
        <thead><tr><th>Department</th><th>Steps: days since goods last came in, and what comes off the list price</th>
        <td></td></tr></thead>
        @foreach($departments as $one)
            @php($of = $steps[$one->id] ?? null)
            @php($mine = (int) old('of', request()->integer('change')) === $one->id)
            <tr id="steps-{{ $one->id }}"><td>{{ $one->name }}</td>
            @if($mine)<td colspan="2"><form method="post" action="{{ route('markdowns.steps') }}" class="steps">@csrf
                <input type="hidden" name="of" value="{{ $one->id }}">
                @for($i = 0; $i < Steps::MOST; $i++)@php($step = $of?->steps[$i] ?? null)<span class="step">
                    <input class="form-control figure-in @error("after.{$i}") is-refused @enderror"
                        name="after[{{ $i }}]" inputmode="numeric" size="4" placeholder="days" @if($i === 0) autofocus
                            @endif aria-label="After days, step {{ $i + 1 }}"
                                value="{{ old("after.{$i}", $step?->after) }}">
                    <input class="form-control figure-in @error("percent.{$i}") is-refused @enderror"
                        name="percent[{{ $i }}]" inputmode="decimal" size="4" placeholder="% off"
                            aria-label="Percent off, step {{ $i + 1 }}"
                                value="{{ old("percent.{$i}", $step?->percent->toString()) }}">
                    @include('design.complaint', ['field' => "after.{$i}"])
                    @include('design.complaint', ['field' => "percent.{$i}"])</span>@endfor
                <button class="quiet-act">Keep</button>
                @include('design.complaint', ['field' => 'steps'])</form></td>
            @else
            <td class="soft">{{ $of === null ? 'never' : implode(', then ', array_map(
                fn (MarkdownStep $step): string => "{$step->percent->toString()} % after {$step->after} days",
                    $of->steps)) }}</td>
            <td class="figure"><a class="link-act" href="{{ route('markdowns', ['change' => $one->id]) }}#steps-{{
                $one->id }}">Change<span class="visually-hidden"> steps of {{ $one->name }}</span></a></td>@endif
            </tr>
        @endforeach
    </table>
</div>
@endsection
