@extends('layout')
@section('title', 'Limits')
@section('main')
<div class="page">
    <div class="page-head"><h1>Limits</h1><span class="soft">{{ $house->currency()->code }};
        empty: any amount</span></div>
    <nav class="sub" aria-label="Roles">
    @foreach($roles as $one)<a href="{{ route('limits', ['role' => $one->value]) }}" @if($one === $role)
        aria-current="page" @endif>{{ $one->label() }}</a> @endforeach</nav>
    <p class="soft">
    What somebody may let go by themselves, and may allow others. Beyond it another person has to approve, and beyond
        theirs the next role. Nobody approves what they ask for themselves.</p>
    @include('design.messages')
    <form method="post" action="{{ route('limits.save', $role->value) }}">@csrf
        <table class="ruled limits">
            <thead><tr><th>What</th><th class="figure">On one document</th><th class="figure">Of one original</th>
            <th class="figure">In a day</th><th class="figure">May allow others</th></tr></thead>
            <tbody>
            @foreach($matters as $matter)
                <tr><td class="align-middle">{{ $matter->words() }}</td>
                @foreach(['per_document' => 'on one document', 'per_original' => 'of one original',
                    'per_day' => 'in a day', 'approves' => 'to allow others'] as $column => $words)
                    @php($name = "{$matter->value}.{$column}")
                    @if(($column === 'per_original' && ! $matter->isWayOut())
                        || ($column === 'per_day' && ! $matter->isCountedByDay()))
                        <td class="figure soft">
                        <input type="hidden" name="{{ $matter->value }}[{{ $column }}]"
                            value="{{ $rows[$matter->value][$column] }}"></td>
                    @else
                        <td class="figure">
                        <input class="form-control text-end w-6 d-inline-block @error($name) is-refused @enderror"
                            name="{{ $matter->value }}[{{ $column }}]" inputmode="decimal" autocomplete="off"
                                aria-label="{{ $matter->words() }}, {{ $words }}"
                                    value="{{ old($name, $rows[$matter->value][$column]) }}">@error($name)
                                    <p class="complaint" role="alert">{{ $message }}</p>@enderror</td>
                    @endif
                @endforeach
                </tr>
            @endforeach
            </tbody>
        </table>
        <button class="quiet-act mt-3">Keep</button>
    </form>
</div>
@endsection
