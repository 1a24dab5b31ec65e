package app.loculus.app.store;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** How fixtures of the virtual rig differ from the patch. */
@Mapper
public interface RigFaultMapper {

    /**
     * A fault; universe and slot are empty when it hangs where the patch has it.
     *
     * @param mode the mode it is set to, empty for that of the patch
     * @param practice whether it was hidden to be found
     */
    record RigFault(int number, Integer universe, Integer slot, boolean dead, String mode, boolean practice) {}

    @Select(
            "select number, universe, slot, dead, mode, practice from rig_fault where show_id = #{show} order by number")
    List<RigFault> of(@Param("show") long show);

    @Insert("merge into rig_fault (show_id, number, universe, slot, dead, mode, practice) key (show_id, number) values "
            + "(#{show}, #{f.number}, #{f.universe}, #{f.slot}, #{f.dead}, #{f.mode}, #{f.practice})")
    void keep(@Param("show") long show, @Param("f") RigFault fault);

    @Delete("delete from rig_fault where show_id = #{show} and number = #{number}")
    void delete(@Param("show") long show, @Param("number") int number);

    @Delete("delete from rig_fault where show_id = #{show}")
    void clear(@Param("show") long show);
}
