{{-- The words the shop offers for a reason that is typed. $of: which; an input shows them by list="reasons-…". --}}
@props(['of'])
@inject('words', 'Elmstone\Shop\ReasonWords')
@once("reasons-{$of}")<datalist id="reasons-{{ $of }}">
    @foreach($words->offered($of) as $one)<option value="{{ $one }}"></option>@endforeach</datalist>@endonce
